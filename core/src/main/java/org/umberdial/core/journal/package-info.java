/**
 * What was done and found at a set, in the order it happened. Entries are only ever added: a correction is a further
 * entry that takes the place of an earlier one, a withdrawal a further entry that takes it back. Every state of the
 * arrival (what is off the chassis, what was looked at, what the owner said) is computed from here.
 */
package org.umberdial.core.journal;
