package org.umberdial.core.cold;

/**
 * One thing that can be proven of one part: continuity is not insulation.
 *
 * @param subject a part's reference, or {@link Roles#CORD} and {@link Roles#FUSE}
 * @param aspect what of it: {@code continuity}, {@code no shorted turns}
 */
public record Claim(String subject, String aspect) {}
