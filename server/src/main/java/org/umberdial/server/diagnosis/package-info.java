/** Which part explains the readings of a set, and what to read next. */
package org.umberdial.server.diagnosis;
