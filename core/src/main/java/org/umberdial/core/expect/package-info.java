/**
 * What a healthy set would show, as one {@link org.umberdial.core.expect.Reference}: solved from its circuit, by its
 * sheet alone, or by its construction class alone.
 */
package org.umberdial.core.expect;
