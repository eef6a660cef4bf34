/** A drafted circuit gone through against the set's own schematic, part by part. */
package org.umberdial.core.walk;
