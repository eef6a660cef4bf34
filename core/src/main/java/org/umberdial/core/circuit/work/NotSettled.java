package org.umberdial.core.circuit.work;

/**
 * The circuit did not settle; nothing is guessed.
 *
 * @param node where Kirchhoff's law was missed most
 * @param reason a sentence
 */
public record NotSettled(String node, String reason) implements Outcome {}
