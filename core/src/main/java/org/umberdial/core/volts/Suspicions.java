package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Reading;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.reading.ReadingLog;
import org.umberdial.core.set.Part;

/** Asks every rule about a wrong point, weighs the answers, and lets the tests made so far speak. */
final class Suspicions {
    private static final List<SuspicionRule> RULES = List.of(new LeakRule(), new DriftRule(), new TubeRule());

    /** Share of the leading suspect's weight below which a suspect is not worth a line. */
    private static final double WORTH_NAMING = 0.02;

    private static final int MOST_NAMED = 4;

    private final StageModel model;
    private final ReadingLog log;
    private final HousePolicy policy;
    private final Map<String, Probed> probed;
    private final Phrases phrases;

    Suspicions(StageModel model, ReadingLog log, HousePolicy policy, Map<String, Probed> probed, Phrases phrases) {
        this.model = model;
        this.log = log;
        this.policy = policy;
        this.probed = probed;
        this.phrases = phrases;
    }

    private record Weighed(SuspicionRule.Guess guess, Suspect.Standing standing, double weight) {}

    Finding about(Probed point, Deviations held, double supplyScale, Verdict verdict) {
        double off = point.healthyOpen.isPresent()
                ? point.openDeviation(supplyScale) - held.at(point.point.node())
                : point.openVolts;
        Scene scene = new Scene(model, point, held, off, supplyScale, probed, policy, phrases);
        List<Weighed> weighed = new ArrayList<>();
        RULES.stream()
                .flatMap(rule -> rule.guesses(scene))
                .map(guess -> weigh(guess, scene))
                .forEach(weighed::add);
        weighed.sort(Comparator.comparingDouble((Weighed w) -> -w.weight).thenComparing(w -> w.guess.part()));
        double most = weighed.isEmpty() ? 1 : Math.max(1e-12, weighed.get(0).weight);
        List<Weighed> named = weighed.stream()
                .filter(w -> w.weight >= WORTH_NAMING * most || w.standing != Suspect.Standing.OPEN)
                .limit(MOST_NAMED)
                .toList();
        double sum = named.stream().mapToDouble(Weighed::weight).sum();
        List<Suspect> suspects = named.stream().map(w -> suspect(w, sum)).toList();
        boolean urgent = verdict == Verdict.BAD
                && weighed.stream().limit(1).anyMatch(w -> w.guess.urgent() && w.standing != Suspect.Standing.CLEARED);
        return new Finding(
                point.point.node(),
                phrases.name(point.point.node()) + ": " + phrases.reason(point, verdict, java.util.Set.of()),
                suspects,
                urgent);
    }

    private static Suspect suspect(Weighed w, double sum) {
        SuspicionRule.Guess guess = w.guess;
        return new Suspect(
                guess.rule(),
                guess.part(),
                guess.failure(),
                guess.severity(),
                guess.reason(),
                sum > 0 ? w.weight / sum : 0,
                w.standing,
                guess.confirm().act(),
                guess.confirm().tells());
    }

    private Weighed weigh(SuspicionRule.Guess guess, Scene scene) {
        Suspect.Standing standing = guess.rule().equals("drifted-resistor") ? byOhms(guess) : byLifting(guess, scene);
        double factor = switch (standing) {
            case PROVEN -> 1000;
            case OPEN -> 1;
            case CLEARED -> 0.001;
        };
        return new Weighed(guess, standing, guess.weight() * factor);
    }

    /**
     * A reading in circuit above nominal plus tolerance proves drift. One well below what the suspicion needs clears it
     * only when no path beside the part could have lowered it; that is not known here, so it stays open.
     */
    private Suspect.Standing byOhms(SuspicionRule.Guess guess) {
        Part part = model.set().part(guess.part()).orElseThrow();
        double nominal = part.sheetValue().orElse(Double.POSITIVE_INFINITY);
        boolean upward =
                guess.failure().equals("drifted high") || guess.failure().equals("open");
        return log.of(guess.part(), ReadingKind.OHMS, "")
                .reduce((first, second) -> second)
                .map(reading -> {
                    boolean lifted = reading.lifted().equalsIgnoreCase(guess.part());
                    if (upward
                            && reading.value() > nominal * (1 + part.tolerance().fraction())) {
                        return Suspect.Standing.PROVEN;
                    }
                    if (lifted
                            && !upward
                            && reading.value() < nominal * (1 - part.tolerance().fraction())) {
                        return Suspect.Standing.PROVEN;
                    }
                    return lifted ? Suspect.Standing.CLEARED : Suspect.Standing.OPEN;
                })
                .orElse(Suspect.Standing.OPEN);
    }

    /**
     * With the part lifted the point is right again: proven. As wrong as before: cleared. A test older than the reading
     * it is to explain says nothing: the part may have been replaced in between.
     */
    private Suspect.Standing byLifting(SuspicionRule.Guess guess, Scene scene) {
        return log.of(scene.node(), ReadingKind.DC, scene.point().reading.mode())
                .filter(reading -> reading.lifted().equalsIgnoreCase(guess.part())
                        && !reading.takenAt().isBefore(scene.point().reading.takenAt()))
                .reduce((first, second) -> second)
                .map(reading -> standing(reading, scene))
                .orElse(Suspect.Standing.OPEN);
    }

    private Suspect.Standing standing(Reading lifted, Scene scene) {
        Probed without = new Probed(model, scene.point().point, lifted, policy, 0);
        double before = Math.abs(scene.point().openDeviation());
        double after = Math.abs(without.openDeviation());
        if (after <= Math.max(without.band(), before / 5)) {
            return Suspect.Standing.PROVEN;
        }
        return after > before / 2 ? Suspect.Standing.CLEARED : Suspect.Standing.OPEN;
    }
}
