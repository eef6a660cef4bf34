package org.umberdial.core.area;

/**
 * Something that must be settled before a gate opens.
 *
 * @param id stable: {@code power:CORD:insulation}
 * @param words a sentence
 * @param bad whether something is wrong; else nobody has looked yet
 * @param act id of the act that settles it; may be empty
 */
public record Stop(String id, Gate gate, String words, boolean bad, String act) {}
