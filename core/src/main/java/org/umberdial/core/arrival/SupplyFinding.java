package org.umberdial.core.arrival;

import java.util.List;

/**
 * One thing the label against the local supply says.
 *
 * @param severity how grave it is; that all is well is a {@code NOTE}
 * @param text one sentence with the figures
 * @param remedies what helps, the best first
 * @param arithmetic the steps behind it, one a line
 */
public record SupplyFinding(
        String rule, Severity severity, String text, List<String> remedies, List<String> arithmetic) {}
