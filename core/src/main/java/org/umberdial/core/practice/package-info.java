/**
 * Practice: invented sets with hidden faults, simulated instruments that cost time, and the way that would have been
 * best.
 */
package org.umberdial.core.practice;
