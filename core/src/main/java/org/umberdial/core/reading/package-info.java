/**
 * Readings and the conditions they were taken under. A reading is a fact: it is never changed, only superseded by a
 * later entry that says so.
 */
package org.umberdial.core.reading;
