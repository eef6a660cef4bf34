/** What lies in the shop's drawers, as items and the moves that add up to how many there are. */
package org.umberdial.server.stock;
