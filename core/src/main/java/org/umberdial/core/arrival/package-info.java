/**
 * Taking a set in: what its label says against the local supply, what comes off it, what is seen at it, what its owner
 * says, and whether it is worth it. Everything here is computed from the set, the shop's policy and the journal.
 */
package org.umberdial.core.arrival;
