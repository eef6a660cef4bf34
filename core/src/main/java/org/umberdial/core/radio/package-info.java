/**
 * A receiver's signal path, found in its circuit: which tubes the signal passes, through which tuned circuits, and what
 * each stage amplifies at its operating point.
 */
package org.umberdial.core.radio;
