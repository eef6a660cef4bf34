/** A set with all that is known of it: loaded once, kept by its revision, the same for every screen that asks. */
package org.umberdial.server.setfile;
