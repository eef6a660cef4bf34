/** The last stage at the bench: what makes a set that has its voltages play, turn, tune and look right. */
package org.umberdial.core.finish;
