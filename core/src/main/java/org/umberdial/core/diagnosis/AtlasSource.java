package org.umberdial.core.diagnosis;

import org.umberdial.core.area.Bench;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;

/** Where the atlas of a set at the bench comes from. One takes seconds to solve, so it may not stand yet. */
public interface AtlasSource {
    /** Nobody solves any: sets without a circuit, and programs that do not wait for one. */
    AtlasSource NONE = (set, bench) -> new None();

    /** What is to be had. */
    sealed interface Answer {}

    /** None, now or later: the circuit is not whole, or does not settle. */
    record None() implements Answer {}

    /** It is being solved; the same question later has a better answer. */
    record Underway() implements Answer {}

    /** @param line that it stands at [V RMS], 0 for a set on batteries */
    record Ready(Atlas atlas, HealthySet healthy, double line) implements Answer {}

    Answer of(BenchSet set, Bench bench);
}
