package org.umberdial.core.proof;

/**
 * How one part or point stands, and why.
 *
 * @param subject a part's reference, or a point's node
 * @param name what people call it
 * @param reason one sentence
 */
public record Proof(String subject, String name, boolean point, ProofState state, String reason) {}
