package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.instrument.Equipment;

/**
 * The order of tests that proves most for the minutes it takes, safety first.
 *
 * <p>A test's worth is the uncertainty it may be expected to settle, in bits: the sum of the entropies of what it would
 * prove, for a path times the odds that all of it is good, since a path that fails settles little. What guards against
 * the line counts three times, what can hardly be bought twice. The best per minute goes next; what it would prove is
 * then taken as proven, and the rest is reckoned again, so that a test that adds nothing any more drops out.
 *
 * @param steps in order; those done first
 * @param unproven what stays unproven, by the instrument that is missing
 */
public record ColdPlan(List<Step> steps, List<Gap> unproven) {
    private static final double DOUBTED = 0.5;

    /** How a test stands in the plan. */
    public enum State {
        /** Made, and it passed. */
        PASSED,
        /** Made, and something failed or is in doubt. */
        FAILED,
        /** Made, but it proved nothing yet. */
        UNCLEAR,
        OPEN,
        /** Would prove nothing that the tests before it do not. */
        ADDS_NOTHING,
        /** Outside the plan: made when another test asks for it. */
        WHEN_NEEDED,
        /** The shop has not the instruments. */
        NO_INSTRUMENT
    }

    /**
     * @param adds what it would still prove
     * @param minutes for what is left of it
     * @param bits what it may be expected to settle, weighed
     * @param reason why here
     */
    public record Step(
            TestRow row,
            State state,
            List<Claim> adds,
            double minutes,
            double bits,
            String reason,
            Optional<ColdBench.Done> done) {}

    /** @param needs instruments that are missing, @param claims what stays unproven for want of them */
    public record Gap(Set<Equipment> needs, List<Claim> claims) {}

    private record Candidate(TestRow row, List<Claim> adds, double bits, double minutes) {
        double worth() {
            return bits / Math.max(0.5, minutes);
        }
    }

    public static ColdPlan of(ColdScene scene, ColdBench bench, Set<Equipment> equipment) {
        return of(scene, bench, bench.ledger(), equipment);
    }

    /** @param ledger all that is known of the set, from wherever */
    public static ColdPlan of(ColdScene scene, ColdBench bench, Ledger ledger, Set<Equipment> equipment) {
        List<Step> steps = new ArrayList<>();
        Set<Claim> known = new HashSet<>(ledger.standings().stream()
                .filter(Ledger.Standing::sound)
                .map(Ledger.Standing::claim)
                .toList());
        List<TestRow> rows = new ArrayList<>(TestRow.all().stream()
                .filter(row ->
                        row.proves().isEmpty() || !ColdTests.claims(scene, row).isEmpty())
                .toList());
        boolean discharged = bench.charge() == Charge.State.GONE;
        TestRow discharge = TestRow.of("discharge").orElseThrow();
        rows.remove(discharge);
        Set<String> satisfied = new HashSet<>();
        if (discharged) {
            bench.last("discharge")
                    .ifPresent(done -> steps.add(new Step(
                            discharge,
                            State.PASSED,
                            List.of(),
                            0,
                            0,
                            done.verdict().sentence(),
                            Optional.of(done))));
        } else {
            steps.add(new Step(
                    discharge,
                    bench.charge() == Charge.State.THERE ? State.FAILED : State.OPEN,
                    List.of(),
                    discharge.minutes(),
                    0,
                    bench.charge() == Charge.State.THERE
                            ? "Safety first: a charge was read and nothing has shown it gone since."
                            : "Safety first: nothing else counts until the volts are read and gone.",
                    bench.last("discharge")));
        }
        satisfied.add("discharge");
        made(scene, bench, ledger, rows, satisfied, steps);
        List<TestRow> lacking =
                rows.stream().filter(row -> !equipment.containsAll(row.needs())).toList();
        rows.removeAll(lacking);
        openWinding(bench, rows, steps);
        greedy(scene, bench, ledger, rows, known, satisfied, steps);
        List<Gap> gaps = gaps(scene, lacking, known, equipment, steps);
        return new ColdPlan(List.copyOf(steps), gaps);
    }

    /** Tests that were made: failed ones stay before everything new, passed ones are settled. */
    private static void made(
            ColdScene scene,
            ColdBench bench,
            Ledger ledger,
            List<TestRow> rows,
            Set<String> satisfied,
            List<Step> steps) {
        for (ColdBench.Done done : bench.done()) {
            TestRow row = done.row();
            if (!rows.contains(row) || row.proves().isEmpty()) {
                continue;
            }
            List<Claim> left = ColdTests.claims(scene, row).stream()
                    .filter(c -> ledger.of(c).isEmpty())
                    .toList();
            Verdict word = done.verdict().word();
            boolean failed = word == Verdict.BAD || word == Verdict.DOUBT;
            if (word == Verdict.GOOD) {
                satisfied.add(row.id());
            }
            if (failed || word == Verdict.GOOD && left.isEmpty() || word == Verdict.NO_EXPECTATION) {
                rows.remove(row);
                steps.add(new Step(
                        row,
                        failed ? State.FAILED : word == Verdict.GOOD ? State.PASSED : State.UNCLEAR,
                        left,
                        row.minutes(),
                        0,
                        done.verdict().sentence()
                                + (done.verdict().next().isEmpty()
                                        ? ""
                                        : " " + done.verdict().next()),
                        Optional.of(done)));
            }
        }
    }

    /** A winding that reads open: its lead-outs before anything else of it, and before a replacement is sought. */
    private static void openWinding(ColdBench bench, List<TestRow> rows, List<Step> steps) {
        bench.openWindings().stream().sorted().findFirst().ifPresent(open -> {
            TestRow row = TestRow.of("lead-out").orElseThrow();
            rows.remove(row);
            steps.add(new Step(
                    row,
                    State.OPEN,
                    List.of(),
                    row.minutes(),
                    0,
                    open + " reads open: most breaks lie at a lead-out and can be mended.",
                    Optional.empty()));
        });
    }

    private static void greedy(
            ColdScene scene,
            ColdBench bench,
            Ledger ledger,
            List<TestRow> rows,
            Set<Claim> known,
            Set<String> satisfied,
            List<Step> steps) {
        List<TestRow> byHand =
                rows.stream().filter(row -> row.proves().isEmpty()).toList();
        rows.removeAll(byHand);
        while (!rows.isEmpty()) {
            List<TestRow> ready = rows.stream()
                    .filter(row -> row.after().isEmpty()
                            || satisfied.contains(row.after())
                            || rows.stream().noneMatch(other -> other.id().equals(row.after())))
                    .toList();
            Candidate best = null;
            for (TestRow row : ready.isEmpty() ? rows : ready) {
                Candidate candidate = candidate(scene, ledger, row, known);
                if (best == null || candidate.worth() > best.worth()) {
                    best = candidate;
                }
            }
            rows.remove(best.row);
            satisfied.add(best.row.id());
            if (best.adds.isEmpty()) {
                String why = "Everything it proves is proven by the tests before it.";
                steps.add(new Step(best.row, State.ADDS_NOTHING, List.of(), 0, 0, why, bench.last(best.row.id())));
            } else {
                steps.add(new Step(
                        best.row,
                        State.OPEN,
                        best.adds,
                        best.minutes,
                        best.bits,
                        reason(best),
                        bench.last(best.row.id())));
                known.addAll(best.adds);
            }
        }
        byHand.forEach(row -> steps.add(new Step(
                row,
                State.WHEN_NEEDED,
                List.of(),
                row.minutes(),
                0,
                "When a reading asks for it.",
                bench.last(row.id()))));
    }

    private static Candidate candidate(ColdScene scene, Ledger ledger, TestRow row, Set<Claim> known) {
        List<Claim> all = ColdTests.claims(scene, row);
        List<Claim> adds = all.stream().filter(claim -> !known.contains(claim)).toList();
        double bits = 0;
        double sound = 1;
        for (Claim claim : adds) {
            Role role = row.proves().stream()
                    .filter(a -> a.aspect() == claim.aspect()
                            && scene.roles().of(a.role()).contains(claim.subject()))
                    .map(TestRow.Proves::role)
                    .findFirst()
                    .orElseThrow();
            double odds = ledger.of(claim).isPresent() ? DOUBTED : role.odds();
            bits += role.weight() * entropy(odds);
            sound *= 1 - odds;
        }
        double minutes = row.path() ? row.minutes() : row.minutes() * adds.size() / Math.max(1, all.size());
        return new Candidate(row, adds, row.path() ? sound * bits : bits, minutes);
    }

    /** Entropy of one outcome [bit]. */
    static double entropy(double p) {
        return p <= 0 || p >= 1 ? 0 : -(p * Math.log(p) + (1 - p) * Math.log(1 - p)) / Math.log(2);
    }

    private static String reason(Candidate c) {
        long parts = c.adds.stream().map(Claim::subject).distinct().count();
        String things = parts == 1 ? "one part" : parts + " parts";
        String how = c.row.path() && c.adds.size() > 1
                ? "One reading for " + (parts == 1 ? c.adds.size() + " things of one part" : things)
                : "Settles " + (c.adds.size() == 1 ? "one thing" : c.adds.size() + " things of " + things);
        return ColdTool.text("%s, in %.0f min; nothing left settles more for its time.", how, Math.max(1, c.minutes));
    }

    private static List<Gap> gaps(
            ColdScene scene, List<TestRow> lacking, Set<Claim> known, Set<Equipment> equipment, List<Step> steps) {
        List<Gap> gaps = new ArrayList<>();
        for (TestRow row : lacking) {
            List<Claim> claims = ColdTests.claims(scene, row).stream()
                    .filter(c -> !known.contains(c))
                    .toList();
            Set<Equipment> missing = row.needs().stream()
                    .filter(e -> !equipment.contains(e))
                    .collect(Collectors.toCollection(LinkedHashSet::new));
            String why = "Needs " + missing.stream().map(Equipment::label).collect(Collectors.joining(" and "))
                    + ", which this shop has not.";
            steps.add(new Step(row, State.NO_INSTRUMENT, claims, row.minutes(), 0, why, Optional.empty()));
            if (!claims.isEmpty()) {
                gaps.add(new Gap(Collections.unmodifiableSet(missing), claims));
            }
        }
        return List.copyOf(gaps);
    }

    /** The test to make now: the charge first, then a line chain that is open, then the best of the open ones. */
    public Optional<Step> next() {
        return steps.stream()
                .filter(s -> s.row.id().equals("discharge") && s.state != State.PASSED)
                .findFirst()
                .or(() -> steps.stream()
                        .filter(s ->
                                s.row.id().equals("plug-on") && (s.state == State.FAILED || s.state == State.UNCLEAR))
                        .findFirst())
                .or(() -> steps.stream().filter(s -> s.state == State.OPEN).findFirst());
    }

    /** Minutes of all that is open. */
    public double minutesLeft() {
        return steps.stream()
                .filter(s -> s.state == State.OPEN)
                .mapToDouble(Step::minutes)
                .sum();
    }
}
