package org.umberdial.core.power;

/**
 * A fault of one part, and how a run goes with it.
 *
 * @param part reference; empty for the healthy set
 * @param says in words: "C1, first filter, is shorted"
 * @param prior how likely it is before anything is read, against the others
 * @param whole whether it is all or nothing, as a short is, and does not come by degrees
 * @param course the same plan with it
 */
public record Hypothesis(String part, String says, double prior, boolean whole, Course course) {}
