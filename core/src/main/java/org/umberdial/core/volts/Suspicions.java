package org.umberdial.core.volts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.value.Unit;

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
    private final Ledger known;

    Suspicions(
            StageModel model,
            ReadingLog log,
            HousePolicy policy,
            Map<String, Probed> probed,
            Phrases phrases,
            Ledger known) {
        this.known = known;
        this.model = model;
        this.log = log;
        this.policy = policy;
        this.probed = probed;
        this.phrases = phrases;
    }

    private record Settled(Suspect.Standing standing, Optional<Instant> at) {
        static final Settled OPEN = new Settled(Suspect.Standing.OPEN, Optional.empty());
    }

    private record Weighed(SuspicionRule.Guess guess, Settled settled, double weight) {
        Suspect.Standing standing() {
            return settled.standing;
        }
    }

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
                .filter(w -> w.weight >= WORTH_NAMING * most || w.standing() != Suspect.Standing.OPEN)
                .limit(MOST_NAMED)
                .toList();
        double sum = named.stream().mapToDouble(Weighed::weight).sum();
        List<Suspect> suspects = named.stream().map(w -> suspect(w, sum)).toList();
        boolean urgent = verdict == Verdict.BAD
                && weighed.stream()
                        .limit(1)
                        .anyMatch(w -> w.guess.urgent() && w.standing() != Suspect.Standing.CLEARED);
        return new Finding(
                point.point.node(),
                phrases.name(point.point.node()) + ": " + phrases.reason(point, verdict, java.util.Set.of()),
                suspects,
                urgent);
    }

    private Suspect suspect(Weighed w, double sum) {
        SuspicionRule.Guess guess = w.guess;
        return new Suspect(
                guess.rule(),
                guess.part(),
                guess.failure(),
                guess.severity(),
                guess.rule().equals("tube") ? Unit.AMPERE : Unit.OHM,
                guess.reason(),
                sum > 0 ? w.weight / sum : 0,
                aspect(guess),
                w.standing(),
                w.settled.at,
                guess.confirm().act(),
                guess.confirm().tells());
    }

    private Weighed weigh(SuspicionRule.Guess guess, Scene scene) {
        Settled lifted = byLifting(guess, scene);
        Settled settled = lifted.standing == Suspect.Standing.OPEN ? byLedger(guess) : lifted;
        double factor = switch (settled.standing) {
            case PROVEN -> 1000;
            case OPEN -> 1;
            case CLEARED -> 0.001;
        };
        return new Weighed(guess, settled, guess.weight() * factor);
    }

    /** What of the part would be wrong. */
    private Optional<Aspect> aspect(SuspicionRule.Guess guess) {
        boolean resistor = model.set()
                .part(guess.part())
                .filter(part -> part.card().letter() == 'R')
                .isPresent();
        return switch (guess.failure()) {
            case "leaky", "shorted" -> Optional.of(Aspect.NO_LEAK);
            case "gassy" -> Optional.of(Aspect.NO_GAS);
            case "weak", "draws too much" -> Optional.of(Aspect.EMISSION);
            case "open", "drifted high", "low" -> resistor ? Optional.of(Aspect.VALUE) : Optional.empty();
            default -> Optional.empty();
        };
    }

    /**
     * What is known of the part from elsewhere. A reading above nominal plus tolerance proves drift; whether one is
     * enough to clear the part the ledger knows. A part that was found high does not explain what takes a low one.
     */
    private Settled byLedger(SuspicionRule.Guess guess) {
        return aspect(guess)
                .flatMap(aspect -> known.of(new Claim(model.set().tubeOf(guess.part()), aspect)))
                .map(stands -> {
                    if (stands.failed() && !guess.failure().equals("low")) {
                        return new Settled(Suspect.Standing.PROVEN, Optional.empty());
                    }
                    return stands.sound() && stands.holds().strength().compareTo(Strength.IN_CIRCUIT) >= 0
                            ? new Settled(Suspect.Standing.CLEARED, Optional.empty())
                            : Settled.OPEN;
                })
                .orElse(Settled.OPEN);
    }

    /**
     * With the part lifted the point is right again: proven. As wrong as before: cleared. A test older than the reading
     * it is to explain says nothing: the part may have been replaced in between.
     */
    private Settled byLifting(SuspicionRule.Guess guess, Scene scene) {
        Reading shown = scene.point().reading;
        return log.last(
                        scene.node(),
                        ReadingKind.DC,
                        shown.mode(),
                        shown.takenAt(),
                        reading -> reading.lifted().equalsIgnoreCase(guess.part()))
                .map(reading -> new Settled(
                        LiftTest.standing(scene.point(), new Probed(model, scene.point().point, reading, policy, 0)),
                        Optional.of(reading.takenAt())))
                .orElse(Settled.OPEN);
    }
}
