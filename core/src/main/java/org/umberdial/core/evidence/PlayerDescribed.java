package org.umberdial.core.evidence;

import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * How a player turns what lies on it, as it was read off or measured; a later one replaces an earlier.
 *
 * @param drive id of the kind of drive
 * @param has what else it has: {@code changer}, {@code auto-stop}, {@code lift}, {@code bias}, {@code muting}
 * @param motorRpm speed of the motor's shaft [1/min]; empty when nobody read it
 * @param madeForHertz line frequency on the motor's plate [Hz]; empty when nobody read it
 * @param steps diameter of the shaft's step or pulley [mm] by the speed it is for [1/min], as in {@code 33.33}
 * @param idlerMm outer diameter of the idler [mm]
 * @param rimMm diameter that is driven: the rim where the idler runs, or where the belt lies [mm]
 * @param beltMm length of the belt, round [mm]
 * @param beltThickMm how thick the belt is [mm]
 */
public record PlayerDescribed(
        String drive,
        Set<String> has,
        Optional<Double> motorRpm,
        Optional<Double> madeForHertz,
        Map<String, Double> steps,
        Optional<Double> idlerMm,
        Optional<Double> rimMm,
        Optional<Double> beltMm,
        Optional<Double> beltThickMm)
        implements Fact {
    public PlayerDescribed {
        has = Set.copyOf(has);
        steps = Map.copyOf(steps);
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "Drive: " + drive
                + idlerMm.map(mm -> ", idler " + mm + " mm").orElse("")
                + rimMm.map(mm -> ", rim " + mm + " mm").orElse("")
                + beltMm.map(mm -> ", belt " + mm + " mm").orElse("");
    }
}
