package org.umberdial.core.volts;

import java.util.List;
import java.util.Optional;

/** Everything the Volts screen says about a set under the bench's conditions. */
public record VoltsReport(
        List<PointVerdict> points,
        List<Branch> branches,
        List<Finding> findings,
        Staircase staircase,
        Optional<NextAct> next) {}
