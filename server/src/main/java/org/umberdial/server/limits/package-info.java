/**
 * How much one sender may take of this server: connections an address, the size and slowness of what is sent, files at
 * once. Whoever is slow or large holds up nobody else, and nothing of either is in memory for long.
 */
package org.umberdial.server.limits;
