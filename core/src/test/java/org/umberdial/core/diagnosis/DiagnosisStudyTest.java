package org.umberdial.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.umberdial.core.Sets;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;

/**
 * Hundreds of sets with hidden faults, half of the demo circuits and half of circuits drafted from line-ups that
 * nothing was tuned on. A few of three circuits in every run of the tests; {@code -Dumber.diagnosis.cases=40} makes all
 * of eight.
 */
class DiagnosisStudyTest {
    private static final int FEW = 10;
    private static final int CASES = Integer.getInteger("umber.diagnosis.cases", FEW);
    /** Each asks for dozens of rankings. */
    private static final int MOST_SHARES = CASES > FEW ? 400 : 9;

    private static final List<String> LINE_UPS = List.of(
            "12BE6 12BA6 12AV6 50C5 35W4",
            "ECC85 ECH81 EBF89 EABC80 EL84 EZ80",
            "6A7 6D6 75 43 25Z5",
            "EF86 ECC83 EL84 EL84 EZ81");

    private static final class Score {
        private int cases;
        private int first;
        private int three;
        private int unseen;
        private int accusedNobody;
        private int healthy;
        private int calledHealthy;
        private int sure;
        private int surelyRight;
        private int doubles;
        private int bothInFive;
        private final List<Double> shares = new ArrayList<>();
    }

    private static List<HiddenFaults> circuits() {
        List<HiddenFaults> all = new ArrayList<>();
        boolean few = CASES <= FEW;
        for (String demo : few
                ? List.of("record-player", "field-coil")
                : List.of("table-set", "fm-superhet", "record-player", "field-coil")) {
            all.add(new HiddenFaults(Sets.resource(demo + ".cir"), ""));
        }
        for (String lineUp : few ? LINE_UPS.subList(0, 1) : LINE_UPS) {
            all.add(new HiddenFaults(
                    DeckWriter.write(new Drafter(TubeModels.shipped())
                            .draft(LineUp.read(lineUp, TubeData.shipped()), Answers.NONE)
                            .deck()),
                    ""));
        }
        return all;
    }

    @Test
    @Timeout(value = 1, unit = TimeUnit.HOURS)
    void theTrueFaultIsFound_andHealthySetsAreCalledHealthy() {
        Score score = new Score();
        for (HiddenFaults circuit : circuits()) {
            Random random = new Random(20261130 + CASES);
            for (int i = 0; i < CASES; i++) {
                circuit.one(random, 1).ifPresent(hidden -> scoreFault(circuit.atlas, hidden, score));
            }
            for (int i = 0; i < CASES / 2; i++) {
                circuit.one(random, 2).ifPresent(hidden -> scoreTwo(circuit.atlas, hidden, score));
            }
            for (int i = 0; i < Math.max(2, CASES / 4); i++) {
                circuit.one(random, 0).ifPresent(hidden -> {
                    score.healthy++;
                    score.calledHealthy +=
                            ranked(circuit.atlas, hidden.readings()).looksHealthy() ? 1 : 0;
                });
            }
        }
        String says = String.format(
                "%d faults seen: first %d, in three %d; %d unseen, of them nobody accused in %d; healthy %d of %d; sure %d, right %d; two at once %d, both in"
                        + " five %d; readings needed by next, against probing order: median %.2f of %d",
                score.cases,
                score.first,
                score.three,
                score.unseen,
                score.accusedNobody,
                score.calledHealthy,
                score.healthy,
                score.sure,
                score.surelyRight,
                score.doubles,
                score.bothInFive,
                median(score.shares),
                score.shares.size());
        System.err.println(says);
        // Of a few dozen the share scatters by more than it does of hundreds.
        double slack = CASES > FEW ? 0 : 0.12;
        assertTrue(score.first >= (0.8 - slack) * score.cases, says);
        assertTrue(score.three >= (0.95 - slack) * score.cases, says);
        assertTrue(score.accusedNobody >= (0.95 - slack) * score.unseen, says);
        assertTrue(score.calledHealthy >= (0.95 - slack) * score.healthy, says);
        assertTrue(score.bothInFive >= (0.7 - 2 * slack) * score.doubles, says);
        assertTrue(median(score.shares) <= 0.6 + slack, says);
    }

    private static double median(List<Double> shares) {
        List<Double> sorted = shares.stream().sorted().toList();
        return sorted.isEmpty() ? 0 : sorted.get(sorted.size() / 2);
    }

    /** Both parts are named in the first five, together or each by itself; where each shows by itself at all. */
    private static void scoreTwo(Atlas atlas, HiddenFaults.Case hidden, Score score) {
        List<String> parts =
                hidden.modes().stream().map(FaultMode::subject).distinct().toList();
        if (parts.size() < 2 || !hidden.eachShows()) {
            return;
        }
        Diagnosis diagnosis = ranked(atlas, hidden.readings());
        List<String> named = diagnosis.suspects().stream()
                .limit(5)
                .flatMap(s -> java.util.stream.Stream.concat(s.parts().stream(), s.alike().stream()))
                .toList();
        score.doubles++;
        score.bothInFive += named.containsAll(parts) ? 1 : 0;
        if (!named.containsAll(parts) && Boolean.getBoolean("umber.diagnosis.tell")) {
            System.err.println("two: "
                    + hidden.modes().get(0).says(hidden.grades().get(0)) + " and "
                    + hidden.modes().get(1).says(hidden.grades().get(1)) + ": unknown " + diagnosis.unknown() + " "
                    + diagnosis.suspects().stream()
                            .limit(4)
                            .map(s -> s.says() + " " + Math.round(1000 * s.posterior()))
                            .toList());
        }
    }

    /** How many readings it takes until the true part is first, in an order of points. */
    private static int needed(Atlas atlas, HiddenFaults.Case hidden, boolean byNext) {
        Map<String, Double> read = new java.util.LinkedHashMap<>();
        String part = hidden.modes().get(0).subject();
        List<String> order = new ArrayList<>(atlas.points());
        for (int count = 1; count <= atlas.points().size(); count++) {
            Optional<String> next = byNext
                    ? ranked(atlas, read).probes().stream()
                            .map(Diagnosis.Probe::node)
                            .filter(node -> !node.isEmpty())
                            .findFirst()
                    : Optional.of(order.get(count - 1));
            if (next.isEmpty()) {
                return atlas.points().size();
            }
            read.put(next.get(), hidden.readings().getOrDefault(next.get(), 0.0));
            Diagnosis diagnosis = ranked(atlas, read);
            boolean first = !diagnosis.looksHealthy()
                    && diagnosis.suspects().stream()
                            .findFirst()
                            .filter(s -> s.fault().subject().equals(part)
                                    || s.alike().contains(part))
                            .isPresent();
            if (first) {
                return count;
            }
        }
        return atlas.points().size();
    }

    private static Diagnosis ranked(Atlas atlas, Map<String, Double> readings) {
        return Ranking.of(atlas, readings, mode -> 1);
    }

    private static void scoreFault(Atlas atlas, HiddenFaults.Case hidden, Score score) {
        Diagnosis diagnosis = ranked(atlas, hidden.readings());
        String part = hidden.modes().get(0).subject();
        // What has not moved any reading by more than tolerances do, no ranking can find.
        if (!moved(atlas, hidden)) {
            score.unseen++;
            score.accusedNobody += diagnosis.looksHealthy()
                            || diagnosis.unseen().stream()
                                    .anyMatch(hidden.modes().get(0)::equals)
                    ? 1
                    : 0;
            return;
        }
        score.cases++;
        int rank = -1;
        for (int i = 0; i < diagnosis.suspects().size() && rank < 0; i++) {
            Diagnosis.Suspect suspect = diagnosis.suspects().get(i);
            if (suspect.fault().subject().equals(part) || suspect.alike().contains(part)) {
                rank = i;
            }
        }
        if (rank != 0 && Boolean.getBoolean("umber.diagnosis.tell")) {
            System.err.println(hidden.modes().get(0).says(hidden.grades().get(0)) + " is rank " + rank + " healthy "
                    + diagnosis.healthy() + " unknown " + diagnosis.unknown() + " "
                    + diagnosis.suspects().stream()
                            .limit(3)
                            .map(s -> s.says() + " " + Math.round(1000 * s.posterior()) + s.alike())
                            .toList());
        }
        score.first += rank == 0 ? 1 : 0;
        score.three += rank >= 0 && rank < 3 ? 1 : 0;
        if (rank == 0 && score.shares.size() < MOST_SHARES) {
            score.shares.add(1.0 * needed(atlas, hidden, true) / needed(atlas, hidden, false));
        }
        Optional<Diagnosis.Suspect> top = diagnosis.suspects().stream().findFirst();
        if (top.filter(s -> s.posterior() >= 0.7 && s.posterior() <= 0.9).isPresent()) {
            score.sure++;
            score.surelyRight += rank == 0 ? 1 : 0;
        }
    }

    private static boolean moved(Atlas atlas, HiddenFaults.Case hidden) {
        for (int i = 0; i < atlas.points().size(); i++) {
            Double read = hidden.readings().get(atlas.points().get(i));
            double middle = atlas.healthy().volts()[i];
            if (read == null && !Double.isNaN(middle)
                    || read != null
                            && Math.abs(read - middle) > 3 * Math.sqrt(Scatter.covariance(atlas.healthy(), i, i))) {
                return true;
            }
        }
        return false;
    }
}
