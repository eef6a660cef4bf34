package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.diagnosis.Advice;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.FaultMode;
import org.umberdial.core.set.BenchSet;

/** What the ranking of every fault of the circuit says of one wrong point. */
final class RankedSuspects {
    static final String RULE = "ranking";
    /** Below this a suspect is not worth a line. */
    private static final double WORTH_NAMING = 0.02;
    /** A reading that speaks less for a part, in the logarithm of the odds, is not explained by it. */
    private static final double SPEAKS = 0.5;

    private static final int MOST_NAMED = 4;

    private final BenchSet set;
    private final Diagnosis diagnosis;
    private final Ledger known;
    private final List<LiftTest> lifts;
    private final Advice advice;

    /** @param known with what the lifts prove */
    RankedSuspects(BenchSet set, Diagnosis diagnosis, Ledger known, List<LiftTest> lifts) {
        this.set = set;
        this.diagnosis = diagnosis;
        this.known = known;
        this.lifts = lifts;
        advice = new Advice(set);
    }

    /**
     * One way of being bad and how much is believed of its part, alone and with others.
     *
     * @param sign the point's reading against it
     */
    private record Believed(
            FaultMode mode, double grade, double most, double sum, Optional<FaultMode> with, Diagnosis.Sign sign) {
        Believed and(Believed other) {
            Believed chief = other.most > most ? other : this;
            return new Believed(chief.mode, chief.grade, chief.most, sum + other.sum, chief.with, chief.sign);
        }
    }

    /** The likeliest first; what a lifted lead has proven or cleared here stands among them. */
    List<Suspect> at(Probed point) {
        String node = point.point.node();
        Map<String, Believed> parts = new LinkedHashMap<>();
        for (Diagnosis.Suspect suspect : diagnosis.suspects()) {
            suspect.signs().stream()
                    .filter(sign -> sign.isVoltsAt(node) && sign.speaks() > SPEAKS)
                    .forEach(sign -> believe(parts, suspect, sign));
        }
        List<Suspect> named = new ArrayList<>();
        parts.values().stream()
                .filter(one -> one.sum >= WORTH_NAMING || isFailed(one.mode))
                .sorted(Comparator.comparingDouble(one -> -one.sum))
                .limit(MOST_NAMED)
                .map(one -> suspect(point, one))
                .forEach(named::add);
        lifts.stream()
                .filter(lift -> lift.node().equals(node)
                        && lift.settles()
                        && named.stream().noneMatch(one -> one.part().equalsIgnoreCase(lift.part())))
                .map(this::settled)
                .forEach(named::add);
        named.sort(Comparator.comparing((Suspect one) -> one.standing() != Suspect.Standing.PROVEN)
                .thenComparing(one -> one.standing() == Suspect.Standing.CLEARED)
                .thenComparing(one -> -one.odds()));
        return named;
    }

    /** Those of a suspect's parts that move the point. */
    private static void believe(Map<String, Believed> parts, Diagnosis.Suspect suspect, Diagnosis.Sign sign) {
        FaultMode fault = suspect.fault();
        Optional<FaultMode> other = suspect.second().map(Diagnosis.Second::fault);
        double believed = suspect.posterior();
        if (sign.movedBy().contains(fault.subject())) {
            parts.merge(
                    fault.subject(),
                    new Believed(fault, suspect.grade(), believed, believed, other, sign),
                    Believed::and);
        }
        suspect.second()
                .filter(second -> sign.movedBy().contains(second.fault().subject()))
                .ifPresent(second -> parts.merge(
                        second.fault().subject(),
                        new Believed(second.fault(), second.grade(), believed, believed, Optional.of(fault), sign),
                        Believed::and));
    }

    private boolean isFailed(FaultMode mode) {
        return known.failed(claim(mode));
    }

    private Claim claim(FaultMode mode) {
        return new Claim(set.tubeOf(mode.part()), mode.aspect());
    }

    private Suspect suspect(Probed point, Believed one) {
        FaultMode mode = one.mode;
        Optional<LiftTest> lift = lifts.stream()
                .filter(test -> test.part().equalsIgnoreCase(mode.part())
                        && test.node().equals(point.point.node())
                        && test.settles())
                .findFirst();
        Suspect.Standing standing = lift.map(LiftTest::standing)
                .orElse(
                        isFailed(mode)
                                ? Suspect.Standing.PROVEN
                                : known.sound(claim(mode)) ? Suspect.Standing.CLEARED : Suspect.Standing.OPEN);
        return new Suspect(
                RULE,
                mode.subject(),
                mode.kind().adjective(),
                mode.sized() ? OptionalDouble.of(one.grade) : OptionalDouble.empty(),
                mode.kind().unit(),
                reason(one),
                Math.min(1, one.sum),
                // Beside a value as usually built it may be the drawing: that marks no part.
                mode.assumed() ? Optional.empty() : Optional.of(mode.aspect()),
                standing,
                lift.map(LiftTest::at),
                advice.confirmAct(mode),
                advice.tells(mode, point.point.name()));
    }

    private Suspect settled(LiftTest lift) {
        return new Suspect(
                RULE,
                lift.part(),
                "leaky",
                OptionalDouble.empty(),
                FaultMode.Kind.LEAKS.unit(),
                lift.standing() == Suspect.Standing.PROVEN
                        ? "With it lifted this point is right."
                        : "With it lifted this point is as wrong as before.",
                0,
                Optional.of(Aspect.NO_LEAK),
                lift.standing(),
                Optional.of(lift.at()),
                "",
                "");
    }

    private String reason(Believed one) {
        String part = one.mode.subject();
        String role = advice.role(one.mode);
        String with = one.with
                .map(other ->
                        " together with " + other.subject() + " " + other.kind().adjective())
                .orElse("");
        return (role.isEmpty() ? part : part + ", " + role)
                + with
                + (Double.isNaN(one.sign.predicted())
                        ? " leaves this point with nothing to hold it."
                        : ", would make this point " + Phrases.volts(one.sign.predicted()) + " where a healthy set has "
                                + Phrases.volts(one.sign.healthy()) + ".")
                + (one.mode.assumed() ? " Its drawn value is only usual: read the part before it is called bad." : "");
    }
}
