/** The log of a set, a stretch at a time, and what is written into it by hand. */
package org.umberdial.server.log;
