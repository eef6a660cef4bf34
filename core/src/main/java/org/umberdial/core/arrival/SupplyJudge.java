package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;

/**
 * The set's label against the local supply: too much or too little voltage, the wrong frequency, and what helps.
 *
 * <p>Source: trade arithmetic. Heater volts and the DC voltages follow the line in proportion, heat follows its square,
 * the flux of an iron core follows volts over hertz, and a motor on the line follows hertz.
 */
public final class SupplyJudge {
    /** Sizes step-down transformers are sold in [VA]. */
    private static final List<Integer> TRANSFORMERS_VA =
            List.of(30, 50, 75, 100, 150, 200, 300, 500, 750, 1000, 1500, 2000);
    /** Beyond this ratio no tap or dropper is meant, another voltage system is. */
    private static final double OTHER_SYSTEM = 1.3;
    /** A line this much over its name is everyday. */
    private static final double EVERYDAY = 0.05;
    /** Heaters that get less than this share emit too little. */
    private static final double LEAST_SHARE = 0.9;
    /** Core flux this much over the design's runs a transformer hot. */
    private static final double MOST_FLUX = 1.1;

    /** What a transformer ahead of the set does for safety, and what it does not. */
    private static final String ISOLATES =
            "two separate windings isolate the set from the line, an autotransformer does not.";

    private final SupplyLabel label;
    private final ConstructionClass construction;
    private final HousePolicy policy;
    private final double volts;
    private final double hertz;
    private final List<SupplyFinding> findings = new ArrayList<>();

    private SupplyJudge(SupplyLabel label, ConstructionClass construction, HousePolicy policy) {
        this.label = label;
        this.construction = construction;
        this.policy = policy;
        this.volts = policy.lineVolts();
        this.hertz = policy.lineHertz();
    }

    /** What is wrong, the gravest first; one note when nothing is. */
    public static List<SupplyFinding> judge(SupplyLabel label, ConstructionClass construction, HousePolicy policy) {
        SupplyJudge judge = new SupplyJudge(label, construction, policy);
        if (construction.lineFed()) {
            judge.current();
            judge.voltage();
            judge.frequency();
        } else {
            judge.add(
                    "battery-fed",
                    Severity.NOTE,
                    "This set is fed from batteries: it needs a supply of its own and must never meet the line.",
                    List.of("Read the battery plug's markings before any supply is connected; the filament "
                            + "rail takes a volt or two."),
                    List.of());
        }
        return judge.findings.stream()
                .sorted(Comparator.comparing(SupplyFinding::severity).reversed())
                .toList();
    }

    private void current() {
        if (label.current() == SupplyLabel.Current.DC) {
            add(
                    "dc-only",
                    Severity.STOP,
                    "The label allows DC only; on an AC line its motor, transformer or vibrator would burn.",
                    List.of("Feed it from a DC supply of " + volts(label.taps())
                            + ", or keep it off the line until its input circuit is read."),
                    List.of());
        }
        if (label.current() == SupplyLabel.Current.AC_DC && !construction.liveChassis()) {
            add(
                    "class-against-label",
                    Severity.DOUBT,
                    "The label allows DC as well, so this set has no transformer between line and chassis; "
                            + "its class here says it has one.",
                    List.of("Look again, and change the class: on an AC/DC set the chassis can be at line voltage."),
                    List.of());
        }
    }

    private void voltage() {
        if (label.taps().isEmpty()) {
            add(
                    "label-missing",
                    Severity.DOUBT,
                    "No supply voltage is known, so nothing says that " + print(volts) + " V is right.",
                    List.of("Settle it from the tube line-up and the transformer before any power: add the "
                            + "heater volts of a series string, or find the taps by ohms."),
                    List.of());
            return;
        }
        double best = nearest();
        wrongTap(best);
        double share = volts / best;
        if (share >= OTHER_SYSTEM || share <= 1 / OTHER_SYSTEM) {
            otherSystem(best, share);
        } else if (share > 1.005) {
            over(best, share);
        } else if (share < LEAST_SHARE) {
            add(
                    "line-under-tap",
                    Severity.DOUBT,
                    print(volts) + " V on " + tap(best) + " is " + percent(1 - share)
                            + " under: heaters starve and the oscillator may stop.",
                    remediesUnder(best),
                    List.of(ratio(best, share)));
        } else {
            add(
                    "line-fits",
                    Severity.NOTE,
                    "The local " + print(volts) + " V suits " + tap(best) + ".",
                    List.of(),
                    List.of(ratio(best, share)));
        }
    }

    private List<String> remediesUnder(double best) {
        Optional<Double> lower = label.taps().stream().filter(tap -> tap < best).max(Comparator.naturalOrder());
        List<String> remedies = new ArrayList<>();
        lower.ifPresent(tap -> remedies.add("The next tap down, " + print(tap) + " V, would run "
                + percent(volts / tap - 1) + " over; stay here unless that is inside the heaters' limit."));
        remedies.add("A boosting winding of " + print(best - volts) + " V in series.");
        return remedies;
    }

    /** The tap that leaves the least error, where too much counts double since it kills. */
    private double nearest() {
        if (label.ranged()
                && volts >= label.taps().get(0)
                && volts <= label.taps().get(label.taps().size() - 1)) {
            return volts;
        }
        return label.taps().stream()
                .min(Comparator.comparingDouble(tap -> volts > tap ? 2 * (volts / tap - 1) : tap / volts - 1))
                .orElseThrow();
    }

    private void wrongTap(double best) {
        OptionalDouble set = label.setTo();
        if (set.isPresent() && Math.abs(set.getAsDouble() - best) > 0.5) {
            double share = volts / set.getAsDouble();
            boolean grave = share > 1 + policy.heaterOver();
            add(
                    "selector-wrong",
                    grave ? Severity.STOP : Severity.DOUBT,
                    "The selector stands on " + print(set.getAsDouble()) + " V: on " + print(volts)
                            + " V every winding would stand at " + percent(share) + " of what it should.",
                    List.of("Set it to " + print(best) + " V, and prove the tap by its ohms before any power."),
                    List.of(ratio(set.getAsDouble(), share)));
        }
    }

    private void over(double best, double share) {
        boolean pastHeaters = share - 1 > policy.heaterOver() + 1e-9;
        boolean small = share - 1 <= EVERYDAY;
        List<String> remedies = new ArrayList<>();
        label.taps().stream()
                .filter(tap -> tap > best)
                .min(Comparator.naturalOrder())
                .ifPresent(tap -> remedies.add("The next tap, " + print(tap) + " V: then the set runs "
                        + percent(1 - volts / tap) + " under."));
        if (construction.transformer()) {
            remedies.add("A bucking winding of about " + print(volts - best) + " V"
                    + label.watts().stream()
                            .mapToObj(w ->
                                    " and " + print(Math.ceil(policy.vaHeadroom() * w / best * (volts - best))) + " VA")
                            .findFirst()
                            .orElse("")
                    + " in series with the primary.");
        }
        label.watts()
                .ifPresent(w -> remedies.add("A dropper in the line: about " + print((volts - best) / (w / best))
                        + " Ω, " + print(Math.ceil(policy.wattsMargin() * (volts - best) * w / best))
                        + " W, stood off from everything."));
        String limit = pastHeaters
                ? "past the heaters' limit of +" + percent(policy.heaterOver())
                : "inside the heaters' limit of +" + percent(policy.heaterOver());
        String text = print(volts) + " V on " + tap(best) + " is " + percent(share - 1) + " over, " + limit
                + ": heaters and B+ follow by as much, heat in tubes and resistors by " + percent(share * share - 1)
                + ". Compare B+ with the ratings of the filter capacitors.";
        add(
                "line-over-tap",
                pastHeaters ? Severity.STOP : small ? Severity.NOTE : Severity.DOUBT,
                text,
                remedies,
                List.of(ratio(best, share), "heat: " + print3(share) + "² = " + print3(share * share)));
    }

    private void otherSystem(double best, double share) {
        boolean down = share > 1;
        String what = down ? "step-down" : "step-up";
        List<String> remedies = new ArrayList<>();
        List<String> steps = new ArrayList<>(List.of(ratio(best, share)));
        label.watts()
                .ifPresentOrElse(
                        w -> {
                            double least = w * policy.vaHeadroom();
                            steps.add(print(w) + " W × " + print3(policy.vaHeadroom()) + " (house policy) = "
                                    + print(least) + " VA");
                            remedies.add("A " + what + " transformer " + print(volts) + " V to " + print(best)
                                    + " V of at least " + size(least) + ": " + ISOLATES);
                        },
                        () -> remedies.add("A " + what + " transformer " + print(volts) + " V to " + print(best)
                                + " V; its size follows from the watts, which the label does not say: "
                                + "30 W for a small series-string set, 60 W for a table set, "
                                + "100 W and more for a large one. " + ISOLATES));
        if (construction.liveChassis()) {
            remedies.add(
                    "Two separate windings, not an autotransformer: with one winding the chassis stays on the line.");
        }
        String text = down
                ? "A " + print(best) + " V set on " + print(volts) + " V gets " + percent(share)
                        + " of its voltage: heaters, B+ and filter capacitors would not live a minute."
                : "A " + print(best) + " V set on " + print(volts) + " V gets " + percent(share)
                        + " of its voltage: it will not play.";
        add(down ? "needs-step-down" : "needs-step-up", down ? Severity.STOP : Severity.DOUBT, text, remedies, steps);
    }

    private void frequency() {
        if (label.hertz().isEmpty() || label.hertz().stream().anyMatch(made -> Math.abs(made - hertz) < 1)) {
            return;
        }
        double made = label.hertz().stream()
                .min(Comparator.comparingDouble(h -> Math.abs(h - hertz)))
                .orElseThrow();
        if (label.motor()) {
            boolean slow = hertz < made;
            double off = Math.abs(hertz / made - 1);
            add(
                    "motor-speed",
                    Severity.DOUBT,
                    "A " + print(made) + " Hz motor on " + print(hertz) + " Hz turns " + percent(off)
                            + (slow ? " slow." : " fast."),
                    List.of(
                            "A drive step for " + print(hertz) + " Hz: its diameter × " + print(made) + "/"
                                    + print(hertz) + " = × " + print3(made / hertz) + ".",
                            "Or an inverter that makes " + print(made) + " Hz for the motor alone."),
                    List.of(print(hertz) + " Hz / " + print(made) + " Hz = " + print3(hertz / made)));
        }
        if (construction.transformer() && !label.taps().isEmpty()) {
            double best = nearest();
            double fed = volts / best >= OTHER_SYSTEM || volts / best <= 1 / OTHER_SYSTEM ? 1 : volts / best;
            double flux = fed * made / hertz;
            if (flux > MOST_FLUX) {
                add(
                        "core-flux",
                        Severity.DOUBT,
                        "A " + print(made) + " Hz transformer on " + print(hertz) + " Hz carries " + percent(flux - 1)
                                + " more flux in its core: it hums, and its primary runs hot without any "
                                + "fault in the set.",
                        List.of("Feed it about " + print(best * hertz / made * MOST_FLUX)
                                + " V or less, or a higher tap, and watch its temperature at first power."),
                        List.of("(" + print3(fed) + " of its volts) × " + print(made) + "/" + print(hertz) + " = "
                                + print3(flux)));
            }
        }
    }

    private String tap(double tap) {
        if (label.ranged()) {
            return "its " + print(label.taps().get(0)) + " to "
                    + print(label.taps().get(label.taps().size() - 1)) + " V";
        }
        return label.taps().size() > 1 ? "the " + print(tap) + " V tap" : "its " + print(tap) + " V";
    }

    private static String size(double least) {
        return TRANSFORMERS_VA.stream()
                .filter(va -> va >= least - 1e-9)
                .findFirst()
                .map(va -> va + " VA")
                .orElseGet(() -> print(Math.ceil(least)) + " VA");
    }

    private String ratio(double tap, double share) {
        return print(volts) + " V / " + print(tap) + " V = " + print3(share);
    }

    private void add(String rule, Severity severity, String text, List<String> remedies, List<String> arithmetic) {
        findings.add(new SupplyFinding(rule, severity, text, List.copyOf(remedies), List.copyOf(arithmetic)));
    }

    private static String volts(List<Double> taps) {
        return taps.isEmpty()
                ? "the voltage of its plate"
                : taps.stream().map(SupplyJudge::print).collect(Collectors.joining("/")) + " V";
    }

    private static String percent(double fraction) {
        double percent = 100 * fraction;
        return (percent < 20
                        ? String.format(Locale.ROOT, "%.1f", percent).replaceAll("\\.0$", "")
                        : String.valueOf(Math.round(percent)))
                + " %";
    }

    private static String print(double value) {
        return value >= 100 || value == Math.rint(value)
                ? String.valueOf(Math.round(value))
                : String.format(Locale.ROOT, "%.1f", value).replaceAll("\\.0$", "");
    }

    private static String print3(double value) {
        return String.format(Locale.ROOT, "%.3f", value).replaceAll("0+$", "").replaceAll("\\.$", "");
    }
}
