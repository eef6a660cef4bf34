/** The shelf: every set of the shop, what it waits for and the next act on it, and the search over all of them. */
package org.umberdial.server.shelf;
