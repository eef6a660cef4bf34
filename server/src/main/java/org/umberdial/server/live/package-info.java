/** Tells open pages that a set has changed, whichever process changed it. */
package org.umberdial.server.live;
