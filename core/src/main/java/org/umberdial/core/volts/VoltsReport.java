package org.umberdial.core.volts;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.Act;

/** Everything the Volts screen says about a set under the bench's conditions. */
public record VoltsReport(
        List<PointVerdict> points, List<Branch> branches, List<Finding> findings, Staircase staircase, List<Act> acts) {
    /** The act that helps most. */
    public Optional<Act> next() {
        return acts.stream().findFirst();
    }
}
