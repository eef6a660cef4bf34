/** What a shop buys and what it pays: the catalogue that ships, with its own additions, and prices. */
package org.umberdial.server.catalogue;
