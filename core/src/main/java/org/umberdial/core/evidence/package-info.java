/**
 * The one log of a set: what was read, seen, said, done and decided, each with time and person, in the order it
 * happened. Entries are only ever added: a correction is a further entry that takes the place of an earlier one, a
 * withdrawal a further entry that takes it back. What is known is never stored; it is reckoned from here.
 */
package org.umberdial.core.evidence;
