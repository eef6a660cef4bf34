/** The proof map: the state of every part and point, and where each is on the set's pictures. */
package org.umberdial.server.map;
