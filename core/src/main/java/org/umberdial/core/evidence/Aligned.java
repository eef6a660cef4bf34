package org.umberdial.core.evidence;

import java.util.Optional;

/**
 * One step of an alignment: what was read before anything was turned and after.
 *
 * @param step id of the step in the plan
 * @param title as the plan had it, for the log
 * @param before reading before, in the step's unit; empty when nothing was read
 * @param after reading after
 * @param unit of both; may be empty
 * @param note how far it was turned, or what was found; may be empty
 */
public record Aligned(
        String step, String title, Optional<Double> before, Optional<Double> after, String unit, String note)
        implements Fact {
    public Aligned {
        if (before.filter(v -> !Double.isFinite(v)).isPresent()
                || after.filter(v -> !Double.isFinite(v)).isPresent()) {
            throw new IllegalArgumentException("a reading is a figure");
        }
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "Aligned: " + title
                + before.map(v -> ", before " + v + " " + unit).orElse("")
                + after.map(v -> ", after " + v + " " + unit).orElse("")
                + (note.isEmpty() ? "" : "; " + note);
    }
}
