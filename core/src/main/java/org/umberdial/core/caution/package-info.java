/** Cautions, each with the act it belongs to. Written for display where the act happens; local codes come first. */
package org.umberdial.core.caution;
