/** The shorthand of the entry strip: what a person types with one hand while the other holds the probe. */
package org.umberdial.core.entry;
