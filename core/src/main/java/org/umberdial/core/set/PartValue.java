package org.umberdial.core.set;

/**
 * One value of a part.
 *
 * @param value SI, in the unit of the part's kind, above 0
 * @param source who or what says so: sheet revision, colour bands, a person; may be empty
 */
public record PartValue(ValueOrigin origin, double value, String source) {}
