/** One shopping list for all sets that are put on it; orders, and what of them came. */
package org.umberdial.server.shopping;
