/**
 * What is published about tube types: typical operating points, ratings and basing.
 *
 * <p>The data file {@code tube-points.csv} holds one row per operating point. Its figures are typical values of a new
 * tube, good to about 10 %; blank cells are unknown, never zero.
 */
package org.umberdial.core.tube;
