package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
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

    /** One way of being bad and how much is believed of its part, alone and with others. */
    private record Believed(FaultMode mode, double grade, double most, double sum, Optional<FaultMode> with) {
        Believed and(Believed other) {
            Believed chief = other.most > most ? other : this;
            return new Believed(chief.mode, chief.grade, chief.most, sum + other.sum, chief.with);
        }
    }

    /** The likeliest first; what a lifted lead has proven or cleared here stands among them. */
    List<Suspect> at(Probed point) {
        String node = point.point.node();
        Map<String, Believed> parts = new LinkedHashMap<>();
        for (Diagnosis.Suspect suspect : diagnosis.suspects()) {
            Set<String> guilty = suspect.signs().stream()
                    .filter(sign -> sign.isVoltsAt(node) && sign.speaks() > SPEAKS)
                    .flatMap(sign -> sign.movedBy().stream())
                    .collect(Collectors.toSet());
            Optional<FaultMode> other = suspect.second().map(Diagnosis.Second::fault);
            if (guilty.contains(suspect.fault().subject())) {
                believe(parts, suspect.fault(), suspect.grade(), suspect.posterior(), other);
            }
            suspect.second()
                    .filter(second -> guilty.contains(second.fault().subject()))
                    .ifPresent(second -> believe(
                            parts, second.fault(), second.grade(), suspect.posterior(), Optional.of(suspect.fault())));
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

    private static void believe(
            Map<String, Believed> parts, FaultMode mode, double grade, double posterior, Optional<FaultMode> with) {
        parts.merge(mode.subject(), new Believed(mode, grade, posterior, posterior, with), Believed::and);
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
                reason(point, one),
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

    private String reason(Probed point, Believed one) {
        String role = advice.role(one.mode);
        String with = one.with
                .map(other ->
                        " together with " + other.subject() + " " + other.kind().adjective())
                .orElse("");
        Optional<Diagnosis.Sign> sign = diagnosis.suspects().stream()
                .filter(s -> s.parts().contains(one.mode.subject()))
                .flatMap(s -> s.signs().stream())
                .filter(s -> s.isVoltsAt(point.point.node()))
                .findFirst();
        return (role.isEmpty() ? one.mode.subject() : one.mode.subject() + ", " + role)
                + with
                + sign.filter(s -> !Double.isNaN(s.predicted()))
                        .map(s -> ", would make this point " + Phrases.volts(s.predicted())
                                + " where a healthy set has " + Phrases.volts(s.healthy()) + ".")
                        .orElse(" leaves this point with nothing to hold it.")
                + (one.mode.assumed() ? " Its drawn value is only usual: read the part before it is called bad." : "");
    }
}
