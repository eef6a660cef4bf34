package org.umberdial.core.draft;

import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.tube.TubeSystem;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.tube.TubeUse;

/** One electrode system of a tube of the line-up. */
record Unit(Fitted tube, TubeSystem system) {
    /** A pentode that draws this much is no RF tube [A]. */
    private static final double OUTPUT_AMPERES = 12e-3;
    /** A triode with this slope is made for very high frequencies [A/V]. */
    private static final double VHF_SIEMENS = 4.5e-3;

    TubeType type() {
        return tube.type().orElseThrow();
    }

    TubeUse use() {
        return type().use();
    }

    boolean is(Section section) {
        return system.section() == section;
    }

    /** What its nodes begin with: {@code v3}, {@code v3a}. */
    String prefix() {
        String letter = system.letter();
        return tube.socket().toLowerCase(Locale.ROOT)
                + (letter.matches("[ABT]") ? letter.toLowerCase(Locale.ROOT) : "");
    }

    String node(Electrode electrode) {
        return prefix() + "_"
                + switch (electrode) {
                    case GRID3 -> "signal";
                    case PLATE2 -> "plate2";
                    default -> electrode.name().toLowerCase(Locale.ROOT);
                };
    }

    /** The published point with currents nearest to a plate voltage; empty without any. */
    Optional<TubePoint> near(double plateVolts) {
        return type().points().stream()
                .filter(point -> belongs(point.kind()) && point.plateAmperes().isPresent())
                .min(java.util.Comparator.comparingDouble(
                        point -> Math.abs(Math.log(point.plateVolts().orElse(250) / plateVolts))));
    }

    private boolean belongs(String kind) {
        return switch (system.section()) {
            case TRIODE -> kind.equals("triode");
            case PENTODE -> kind.equals("pentode") || kind.equals("beam");
            case HEPTODE -> kind.equals("heptode");
            default -> false;
        };
    }

    /** Whether voltages and currents can be reckoned for it. */
    boolean hasLaw() {
        return is(Section.DIODE)
                ? !type().isRectifier() || type().hasLaw()
                : near(250).isPresent()
                        || is(Section.TRIODE) && oscillates()
                        || is(Section.FULL_WAVE) && type().hasLaw();
    }

    private boolean oscillates() {
        return type().points().stream()
                .anyMatch(point -> point.kind().endsWith("osc") || point.kind().equals("osc_plate"));
    }

    /** Whether it drives a loudspeaker. */
    boolean isOutput() {
        boolean draws = near(250)
                .flatMap(point -> point.plateAmperes().stream().boxed().findFirst())
                .filter(amperes -> amperes >= OUTPUT_AMPERES)
                .isPresent();
        return switch (use()) {
            case OUTPUT, OUTPUT_DOUBLE ->
                !system.isSignalDiode()
                        && !is(Section.DIODE)
                        && !system.letter().equals("T");
            case TRIODE_OUTPUT, OTHER -> is(Section.PENTODE) && draws;
            default -> false;
        };
    }

    boolean isVhf() {
        return is(Section.TRIODE)
                && near(200)
                        .flatMap(point ->
                                point.transconductanceSiemens().stream().boxed().findFirst())
                        .filter(slope -> slope >= VHF_SIEMENS)
                        .isPresent();
    }

    /** Amplification factor of a triode; 20 where none is published. */
    double mu() {
        return near(250)
                .flatMap(point -> point.amplification().stream().boxed().findFirst())
                .orElse(20.0);
    }
}
