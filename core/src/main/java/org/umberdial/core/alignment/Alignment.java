package org.umberdial.core.alignment;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.alignment.AlignStep.Part;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.Aligned;
import org.umberdial.core.evidence.CurveRead;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.tuning.Band;
import org.umberdial.core.tuning.ResponseCurve;
import org.umberdial.core.tuning.SCurve;
import org.umberdial.core.value.InvalidEntry;

/** The alignment of one set as far as it has come. */
public final class Alignment {
    /** Names of curves that say of a chain whether it is in tune. */
    public static final String IF = "IF";

    public static final String FM_IF = "FM IF";
    public static final String FM_DETECTOR = "FM DETECTOR";

    /** How far the middle of the cans may be off [Hz], below and above 3 MHz. */
    private static final double CENTRED_HERTZ = 1000;

    private static final double FM_CENTRED_HERTZ = 20e3;
    private static final double HIGH_HERTZ = 3e6;
    /** A reading that fell by more than this was not peaked. */
    private static final double FELL = 0.9;

    private static final GearSaid USUAL_GEAR = new GearSaid(GearSaid.Generator.AM, GearSaid.Meter.OUTPUT, false);

    private final Optional<ReceiverSaid> receiver;
    private final GearSaid gear;
    private final AlignmentPlan plan;
    private final Map<String, Standing<Aligned>> done = new LinkedHashMap<>();
    private final Map<String, Standing<CurveRead>> curves = new LinkedHashMap<>();

    private Alignment(Optional<ReceiverSaid> receiver, GearSaid gear, AlignmentPlan plan) {
        this.receiver = receiver;
        this.gear = gear;
        this.plan = plan;
    }

    /** @param needed levels by feed, where they were reckoned; see {@link AlignmentPlan#of} */
    public static Alignment of(EvidenceLog log, List<Band> bands, boolean live, Map<Feed, Double> needed) {
        Optional<ReceiverSaid> receiver = last(log.standing(ReceiverSaid.class));
        GearSaid gear = last(log.standing(GearSaid.class)).orElse(USUAL_GEAR);
        AlignmentPlan plan = receiver.map(said -> AlignmentPlan.of(said, gear, bands, live, needed))
                .orElse(new AlignmentPlan(
                        List.of(), List.of("Say first what kind of receiver it is and what it is aligned with.")));
        Alignment alignment = new Alignment(receiver, gear, plan);
        log.standing(Aligned.class)
                .forEach(step -> alignment.done.put(step.fact().step(), step));
        log.standing(CurveRead.class)
                .forEach(curve -> alignment.curves.put(curve.fact().name(), curve));
        return alignment;
    }

    private static <T extends Fact> Optional<T> last(List<Standing<T>> said) {
        return said.isEmpty()
                ? Optional.empty()
                : Optional.of(said.get(said.size() - 1).fact());
    }

    public Optional<ReceiverSaid> receiver() {
        return receiver;
    }

    public GearSaid gear() {
        return gear;
    }

    public AlignmentPlan plan() {
        return plan;
    }

    /** What was done of a step last. */
    public Optional<Standing<Aligned>> done(String step) {
        return Optional.ofNullable(done.get(step));
    }

    public boolean begun() {
        return plan.steps().stream().anyMatch(step -> done.containsKey(step.id()));
    }

    /** The first step that nobody has done. */
    public Optional<AlignStep> next() {
        return plan.steps().stream()
                .filter(step -> !done.containsKey(step.id()))
                .findFirst();
    }

    /** The last curve of a name, read so. */
    public Optional<Standing<CurveRead>> curve(String name) {
        return Optional.ofNullable(curves.get(name));
    }

    public List<Standing<CurveRead>> curves() {
        return List.copyOf(curves.values());
    }

    private static Claim claim(String subject) {
        return new Claim(subject, Aspect.TUNED);
    }

    /** What it can settle: the cans and, where there is FM, its cans and its detector. */
    public List<Claim> claims() {
        List<Claim> claims = new ArrayList<>();
        if (receiver.filter(r -> r.kind() == ReceiverSaid.Kind.SUPERHET).isPresent()) {
            claims.add(claim(IF));
        }
        if (receiver.filter(ReceiverSaid::fm).isPresent()) {
            claims.add(claim(FM_IF));
            claims.add(claim(FM_DETECTOR));
        }
        return claims;
    }

    /** By the curve if one was read since a core was turned; else by the steps, once all are done. */
    public List<Observation> observations() {
        List<Observation> seen = new ArrayList<>();
        chain(IF, EnumSet.of(Part.IF)).ifPresent(seen::add);
        chain(FM_IF, EnumSet.of(Part.FM_IF)).ifPresent(seen::add);
        detector().ifPresent(seen::add);
        return seen;
    }

    private Instant turned(Set<Part> parts) {
        return plan.steps().stream()
                .filter(step -> parts.contains(step.part()) && !step.cores().isEmpty())
                .flatMap(step -> done(step.id()).stream())
                .map(Standing::at)
                .max(Comparator.naturalOrder())
                .orElse(Instant.MIN);
    }

    private Optional<Observation> chain(String name, Set<Part> parts) {
        if (!claims().contains(claim(name))) {
            return Optional.empty();
        }
        Optional<Standing<CurveRead>> curve =
                curve(name).filter(c -> c.fact().wanted() > 0 && !c.at().isBefore(turned(parts)));
        if (curve.isPresent()) {
            return byCurve(name, curve.get());
        }
        List<AlignStep> turning = plan.steps().stream()
                .filter(step -> parts.contains(step.part()) && !step.cores().isEmpty())
                .toList();
        if (turning.isEmpty()
                || !turning.stream()
                        .allMatch(step -> done(step.id())
                                .filter(d -> step.unit().isEmpty()
                                        || d.fact().after().isPresent())
                                .isPresent())) {
            return Optional.empty();
        }
        List<String> fell = turning.stream()
                .filter(AlignStep::grows)
                .map(step -> done.get(step.id()).fact())
                .filter(d -> d.before().isPresent()
                        && Math.abs(d.after().orElseThrow())
                                < FELL * Math.abs(d.before().get()))
                .map(Aligned::title)
                .toList();
        return Optional.of(new Observation(
                claim(name),
                fell.isEmpty() ? Observation.Word.SOUND : Observation.Word.DOUBTED,
                turning.stream().allMatch(step -> !step.unit().isEmpty()) ? Strength.IN_CIRCUIT : Strength.SEEN,
                false,
                turned(parts),
                "Aligned",
                fell.isEmpty()
                        ? "Every core was turned to its most; nobody has read the curve since."
                        : "Less came out after than before: " + String.join("; ", fell) + ".",
                "",
                turning.stream().map(step -> done.get(step.id()).id()).toList()));
    }

    private static Optional<Observation> byCurve(String name, Standing<CurveRead> read) {
        ResponseCurve curve;
        try {
            curve = response(read.fact());
        } catch (InvalidEntry notACurve) {
            // Kept as typed, and it proves nothing.
            return Optional.empty();
        }
        if (curve.width().isEmpty()) {
            return Optional.empty();
        }
        double wanted = read.fact().wanted();
        double off = curve.centre() - wanted;
        boolean right = centred(curve, wanted);
        return Optional.of(new Observation(
                claim(name),
                right ? Observation.Word.SOUND : Observation.Word.FAILED,
                Strength.IN_CIRCUIT,
                false,
                read.at(),
                "Curve",
                String.format(
                        Locale.ROOT,
                        "The middle of what passes is %.1f kHz, %+.1f from where it should be; %.1f is allowed.",
                        curve.centre() / 1000,
                        off / 1000,
                        apart(wanted) / 1000),
                "",
                List.of(read.id())));
    }

    private static double apart(double wanted) {
        return wanted < HIGH_HERTZ ? CENTRED_HERTZ : FM_CENTRED_HERTZ;
    }

    /** Whether the middle of what passes is known and where it should be. @param wanted [Hz] */
    public static boolean centred(ResponseCurve curve, double wanted) {
        return curve.width().isPresent() && Math.abs(curve.centre() - wanted) <= apart(wanted);
    }

    private Optional<Observation> detector() {
        if (!claims().contains(claim(FM_DETECTOR))) {
            return Optional.empty();
        }
        Instant turned = turned(EnumSet.of(Part.FM_DETECTOR));
        return curve(FM_DETECTOR)
                .filter(c ->
                        c.fact().sort() == CurveRead.Sort.DETECTOR && c.fact().wanted() > 0 && !c.at().isBefore(turned))
                .flatMap(read -> {
                    try {
                        SCurve s = s(read.fact());
                        return Optional.of(new Observation(
                                claim(FM_DETECTOR),
                                s.right() ? Observation.Word.SOUND : Observation.Word.FAILED,
                                Strength.IN_CIRCUIT,
                                false,
                                read.at(),
                                "Curve",
                                s.right() ? "Nought in the middle and both peaks alike." : String.join(" ", s.says()),
                                "",
                                List.of(read.id())));
                    } catch (InvalidEntry notACurve) {
                        return Optional.empty();
                    }
                });
    }

    /**
     * What a response that was read means.
     *
     * @throws InvalidEntry when its points do not make one
     */
    public static ResponseCurve response(CurveRead read) {
        return ResponseCurve.of(
                points(read),
                read.sort() == CurveRead.Sort.LEVEL ? ResponseCurve.Read.LEVEL : ResponseCurve.Read.OUTPUT);
    }

    /**
     * What the S of a detector means.
     *
     * @throws InvalidEntry when its points do not make one
     */
    public static SCurve s(CurveRead read) {
        return SCurve.of(points(read), read.wanted());
    }

    private static List<double[]> points(CurveRead read) {
        return read.points().stream()
                .map(p -> new double[] {p.hertz(), p.value()})
                .toList();
    }
}
