package org.umberdial.core.cold;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.journal.Benched;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.journal.PartReplaced;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.volts.Verdict;

/**
 * What the cold bench has shown so far: every test that stands, judged anew, and what it proves.
 *
 * @param done tests made, in the order they were made; of a test made again the last one
 * @param covers what is known of each claim
 * @param charge how the charge stood when it was last read
 */
public record ColdBench(List<Done> done, Map<Claim, Cover> covers, Charge.State charge) {
    /** Tests that stand beside each other when they are made again, since each is about another place. */
    private static final Set<String> SEVERAL = Set.of("between", "transistor", "lead-out");

    /** What is known of a claim. */
    public enum Known {
        PROVEN,
        DOUBTED,
        REFUTED
    }

    /** @param by title of the test, @param says its sentence */
    public record Cover(Known known, String test, String by, String says, Instant at) {}

    /** @param id of the journal's entry */
    public record Done(String id, TestRow row, Figures figures, Instant at, String equipment, ColdVerdict verdict) {}

    public static ColdBench of(ColdScene scene, Journal journal) {
        Map<String, Done> last = new LinkedHashMap<>();
        double safe = scene.policy().safeVolts();
        journal.standing(Benched.class).stream()
                .sorted(Comparator.comparing(s -> s.entry().takenAt()))
                .forEach(s -> TestRow.of(s.fact().test()).ifPresent(row -> {
                    Figures figures = new Figures(s.fact().figures());
                    Instant at = s.entry().takenAt();
                    boolean charged = row.readsOhms() && Charge.at(journal, at, safe) == Charge.State.THERE;
                    ColdVerdict verdict = charged
                            ? ColdVerdict.nothing(Charge.refusal(safe), "Discharge first.")
                            : judged(scene, row, figures);
                    String key = SEVERAL.contains(row.id()) ? s.id() : row.id();
                    last.remove(key);
                    last.put(key, new Done(s.id(), row, figures, at, s.fact().equipment(), verdict));
                }));
        Map<String, Instant> replaced = new HashMap<>();
        journal.standing(PartReplaced.class)
                .forEach(s -> replaced.put(
                        s.fact().part().toUpperCase(Locale.ROOT), s.entry().takenAt()));
        Map<Claim, Cover> covers = new LinkedHashMap<>();
        for (Done done : last.values()) {
            cover(done, replaced, covers);
        }
        Charge.State charge = Charge.at(journal, Instant.MAX, safe);
        return new ColdBench(List.copyOf(last.values()), covers, charge);
    }

    /** A figure that no longer can be, since the set was changed, proves nothing. */
    private static ColdVerdict judged(ColdScene scene, TestRow row, Figures figures) {
        try {
            return ColdTests.judge(scene, row, figures);
        } catch (InvalidEntry refused) {
            return ColdVerdict.nothing(refused.getMessage(), "Make the test again.");
        }
    }

    private static void cover(Done done, Map<String, Instant> replaced, Map<Claim, Cover> covers) {
        Map<Known, List<Claim>> said = new LinkedHashMap<>();
        said.put(Known.DOUBTED, done.verdict.doubts());
        said.put(Known.PROVEN, done.verdict.proves());
        said.put(Known.REFUTED, done.verdict.refutes());
        said.forEach((known, claims) -> claims.forEach(claim -> {
            boolean renewed = replaced.getOrDefault(claim.subject().toUpperCase(Locale.ROOT), Instant.MIN)
                    .isAfter(done.at);
            // A path that fails does not take back what another test has proven of one part on it.
            boolean outweighed = known == Known.DOUBTED
                    && done.row.path()
                    && Optional.ofNullable(covers.get(claim))
                            .filter(c -> c.known == Known.PROVEN)
                            .isPresent();
            if (!renewed && !outweighed) {
                covers.put(claim, new Cover(known, done.row.id(), done.row.title(), done.verdict.sentence(), done.at));
            }
        }));
    }

    /** The last standing result of a test. */
    public Optional<Done> last(String test) {
        List<Done> made = new ArrayList<>(
                done.stream().filter(d -> d.row.id().equals(test)).toList());
        return made.isEmpty() ? Optional.empty() : Optional.of(made.get(made.size() - 1));
    }

    public boolean proven(Claim claim) {
        return covers.containsKey(claim) && covers.get(claim).known == Known.PROVEN;
    }

    /** Whether a test was made and passed. */
    public boolean passed(String test) {
        return last(test).filter(d -> d.verdict.word() == Verdict.GOOD).isPresent();
    }

    /**
     * Whether a part that cannot be bought was found sound: continuous and free of shorted turns, nothing against it.
     * An open winding counts as lost only when its lead-outs were looked at.
     *
     * @return empty when that is not known yet
     */
    public Optional<Boolean> sound(String subject) {
        List<Map.Entry<Claim, Cover>> own = covers.entrySet().stream()
                .filter(e -> e.getKey().subject().equalsIgnoreCase(subject))
                .toList();
        if (own.stream()
                .anyMatch(e -> e.getValue().known == Known.REFUTED
                        && (!e.getKey().aspect().contains("continuity")
                                || e.getValue().test.equals("lead-out")))) {
            return Optional.of(false);
        }
        boolean clear = own.stream().allMatch(e -> e.getValue().known == Known.PROVEN);
        boolean whole = own.stream()
                .anyMatch(e -> e.getKey().aspect().contains("continuity")
                        || e.getKey().aspect().equals("value"));
        boolean turns = own.stream()
                .anyMatch(e -> e.getKey().aspect().contains("shorted")
                        || e.getKey().aspect().equals("value"));
        return clear && whole && turns ? Optional.of(true) : Optional.empty();
    }
}
