/**
 * Tests as every area has them: what a form asks for, the figures that were entered, kept cell by cell with their own
 * time and person. Figures are facts and are kept; what they say is reckoned.
 */
package org.umberdial.core.procedure;
