package org.umberdial.core.volts;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.Act;

/**
 * Everything the Volts screen says about a set under the bench's conditions.
 *
 * @param comesTo what all readings together come to by the faults of the circuit, a sentence; empty where nothing is
 *     off or only rules spoke
 * @param underway whether the faults of the circuit are still being worked out, so that nothing is suspected yet
 * @param waits whether what the set does in another mode is still to be weighed
 * @param stages what tubes draw by what was read
 * @param cures points that are right since parts were changed
 * @param lifts readings of wrong points with a lead lifted
 */
public record VoltsReport(
        List<PointVerdict> points,
        List<Branch> branches,
        List<StageCurrent> stages,
        List<Cure> cures,
        List<Finding> findings,
        String comesTo,
        boolean underway,
        boolean waits,
        List<LiftTest> lifts,
        Staircase staircase,
        List<Act> acts) {
    /** The act that helps most. */
    public Optional<Act> next() {
        return acts.stream().findFirst();
    }
}
