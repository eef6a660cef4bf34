/** A set as it is entered: its label, its circuit, test points and sheet. */
package org.umberdial.server.circuit;
