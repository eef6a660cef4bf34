/**
 * Every test with the plug out: the arithmetic of windings and chains, what each test proves, what a reading of it
 * says, and which test to make next. Nothing here is kept; all of it follows from the set, the journal and the house
 * policy.
 */
package org.umberdial.core.cold;
