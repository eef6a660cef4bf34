/** The stage Parts: what is known of each part, typed line by line, and what is decided of it. */
package org.umberdial.server.parts;
