/**
 * What goes in: for each part that is replaced one that is made, under the school of the house. A voltage is never
 * below the original's rating nor below what can stand there at worst: a line that is high, and tubes that do not draw
 * yet. A first capacitor is never larger than the rectifier stands; what bridges the line is a safety type; a resistor
 * is rated for so many times its working watts as the house wants.
 */
package org.umberdial.core.recap;
