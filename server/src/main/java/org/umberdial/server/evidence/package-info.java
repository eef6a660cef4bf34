/** The one log of each set, append-only: what was read, seen, said, done and decided. */
package org.umberdial.server.evidence;
