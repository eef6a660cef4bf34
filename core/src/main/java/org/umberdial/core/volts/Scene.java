package org.umberdial.core.volts;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.tube.Electrode;

/**
 * A wrong point with everything a rule may ask about it.
 *
 * @param held what the readings upstream imply, taken as given
 * @param supplyScale the rail that feeds the point, as a part of what it should be; 1 when it was not read
 * @param off deviation left at the point once they are taken as given [V], no meter connected
 */
record Scene(
        StageModel model,
        Probed point,
        Deviations held,
        double off,
        double supplyScale,
        Map<String, Probed> probed,
        HousePolicy policy,
        Phrases phrases) {
    String node() {
        return point.point.node();
    }

    double lineVolts() {
        return point.reading.lineVolts();
    }

    /** What stands at a node: read if it was read, else healthy plus what the readings imply [V]. */
    double standsAt(String other) {
        if (other.equals("0")) {
            return 0;
        }
        Probed read = probed.get(other);
        if (read != null) {
            return read.openVolts;
        }
        return model.healthyVolts(other, lineVolts()).orElse(0) * (model.isSupplyFed(other) ? supplyScale : 1)
                + held.at(other);
    }

    /**
     * Current an added branch must carry to make the point stand where it was read [A].
     *
     * @return empty when such a branch does not move the point
     */
    OptionalDouble neededAmperes(String from, String into) {
        double response = held.responseOhms(node(), from, into);
        return Math.abs(response) < 1e-3 || !Double.isFinite(off / response)
                ? OptionalDouble.empty()
                : OptionalDouble.of(off / response);
    }

    /**
     * How well a branch of that current agrees with every other point that was read: 1 agrees, towards 0 contradicts.
     * Points it does not move weigh on all suspects alike.
     */
    double agreement(String from, String into, double amperes) {
        double sum = 0;
        for (String witness : witnesses()) {
            Probed read = probed.get(witness);
            double predicted = held.at(witness) + held.responseOhms(witness, from, into) * amperes;
            double z = (read.openDeviation(supplyScale) - predicted) / Math.max(read.band(), 1e-6);
            sum += Math.min(z * z, 9);
        }
        return Math.exp(-sum / 2);
    }

    private List<String> witnesses() {
        return probed.keySet().stream()
                .filter(other ->
                        !other.equals(node()) && probed.get(other).healthyOpen.isPresent())
                .toList();
    }

    List<DcPaths.Stage> stagesHere() {
        return model.paths().stages.stream()
                .filter(stage -> stage.electrodeAt(node())
                        .filter(Electrode::carriesStageCurrent)
                        .isPresent())
                .toList();
    }
}
