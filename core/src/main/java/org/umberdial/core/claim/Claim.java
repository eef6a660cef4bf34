package org.umberdial.core.claim;

/**
 * One thing that can be proven of one subject.
 *
 * @param subject a part's reference, the cord or fuse that no circuit draws, a test point's node, an area of the set
 */
public record Claim(String subject, Aspect aspect) {}
