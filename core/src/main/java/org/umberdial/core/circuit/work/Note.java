package org.umberdial.core.circuit.work;

/**
 * What is to be said beside the figures of an answer.
 *
 * @param part it is said of
 * @param guess whether it says why figures are a guess
 * @param text a sentence or two that name the part
 */
public record Note(String part, boolean guess, String text) {}
