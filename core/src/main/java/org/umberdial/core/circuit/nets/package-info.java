/** What the nodes of a circuit are, told from what is joined to them. */
package org.umberdial.core.circuit.nets;
