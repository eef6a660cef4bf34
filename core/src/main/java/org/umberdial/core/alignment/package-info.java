/**
 * Alignment of one receiver with the instruments at hand: the plan in its order, what was read before and after each
 * step, and a stand-in to practise and to test it on.
 */
package org.umberdial.core.alignment;
