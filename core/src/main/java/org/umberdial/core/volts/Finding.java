package org.umberdial.core.volts;

import java.util.List;

/**
 * A point that is wrong in itself, and what could make it so.
 *
 * @param node where it shows
 * @param text one sentence: what is wrong
 * @param suspects the likeliest first; empty when the rules know none
 * @param urgent whether running the set on does harm
 */
public record Finding(String node, String text, List<Suspect> suspects, boolean urgent) {}
