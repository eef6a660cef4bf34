package org.umberdial.core.cold;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Observation.Word;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.evidence.Proved;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.procedure.Cells;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.InvalidEntry;

/**
 * What the cold bench has shown so far: every test with the figures that stand, judged anew, and what was observed by
 * it.
 *
 * @param done tests made, the one made last at the end
 * @param observations of the tests, of ohms read part by part, and of parts tested apart from the circuit
 * @param ledger of these observations
 * @param charge how the charge stands now
 * @param openWindings references of windings that read open and whose lead-outs nobody has looked at
 */
public record ColdBench(
        List<Done> done, List<Observation> observations, Ledger ledger, Charge.State charge, Set<String> openWindings) {
    /** Tests that stand beside each other when they are made again, since each is about another place. */
    static final Set<String> SEVERAL = Set.of("between", "transistor", "lead-out");

    /** First letters of what is wound. */
    private static final String WINDINGS = "XL";

    private static final String LEAD_OUT = "lead-out";

    /**
     * A test made.
     *
     * @param id of the log's entry that came last
     * @param at when the last of its figures was read
     * @param cells its figures, each with its own time and person
     */
    public record Done(
            String id,
            TestRow row,
            Figures figures,
            Instant at,
            String equipment,
            ColdVerdict verdict,
            Map<String, Cells.Cell> cells) {}

    public static ColdBench of(ColdScene scene, EvidenceLog log) {
        Cells cells = Cells.of(log, SEVERAL, Instant.MAX);
        Charges charges = new Charges(scene, log);
        List<Ledger.Replaced> replaced = SetFile.replaced(log);
        List<Done> done = new ArrayList<>();
        for (Cells.Made made : cells.made()) {
            TestRow.of(made.test()).ifPresent(row -> done.add(done(scene, row, made, charges, replaced)));
        }
        List<Observation> observations = new ArrayList<>();
        Set<String> open = new HashSet<>();
        done.forEach(d -> observe(scene, d, observations, open));
        ohms(scene, log, charges, observations, open);
        tested(scene, log, observations);
        Ledger ledger = Ledger.of(observations, replaced);
        open.removeIf(winding ->
                ledger.about(winding).stream().noneMatch(s -> s.claim().aspect().continuity() && s.doubted()));
        return new ColdBench(
                List.copyOf(done), List.copyOf(observations), ledger, Charge.state(scene, cells), Set.copyOf(open));
    }

    /** Whether a capacitor held a charge at a time; asked for many readings, so worked out once a stretch. */
    private static final class Charges {
        private final ColdScene scene;
        private final EvidenceLog log;
        private final List<Instant> turns;
        private final Map<Instant, Charge.State> known = new TreeMap<>();

        Charges(ColdScene scene, EvidenceLog log) {
            this.scene = scene;
            this.log = log;
            turns = log.standing(org.umberdial.core.evidence.Benched.class).stream()
                    .filter(s -> s.fact().test().equals(Cells.DISCHARGE))
                    .map(EvidenceLog.Standing::at)
                    .sorted()
                    .toList();
        }

        /** Power in between only makes a charge more likely; it does not make one that was read there go away. */
        boolean there(Instant at) {
            return turns.stream()
                    .filter(turn -> !turn.isAfter(at))
                    .reduce((first, second) -> second)
                    .map(turn -> known.computeIfAbsent(turn, t -> Charge.at(scene, log, t)) == Charge.State.THERE)
                    .orElse(false);
        }
    }

    /**
     * Takes figures of a part's predecessor out of a form that was read again since it was replaced: half of the one
     * and half of the other is a reading of neither. Figures that are about one part by name are gone already.
     */
    private static void dropOfTheOldPart(
            List<Claim> claims, List<Ledger.Replaced> replaced, Map<String, Cells.Cell> cells) {
        for (Ledger.Replaced by : replaced) {
            boolean about = claims.stream().anyMatch(c -> c.subject().equalsIgnoreCase(by.subject()));
            Predicate<Map.Entry<String, Cells.Cell>> shared =
                    e -> claims.stream().noneMatch(c -> isAbout(e.getKey(), c.subject()));
            if (about
                    && cells.entrySet().stream()
                            .anyMatch(e -> shared.test(e) && !e.getValue().at().isBefore(by.at()))) {
                cells.entrySet()
                        .removeIf(e -> shared.test(e) && e.getValue().at().isBefore(by.at()));
            }
        }
    }

    /** Whether a figure's key is about a part alone. */
    private static boolean isAbout(String key, String subject) {
        return key.toUpperCase(Locale.ROOT).endsWith("." + subject.toUpperCase(Locale.ROOT));
    }

    private static Done done(
            ColdScene scene, TestRow row, Cells.Made entered, Charges charges, List<Ledger.Replaced> replaced) {
        Map<String, Cells.Cell> current = new TreeMap<>(entered.cells());
        dropOfTheOldPart(ColdTests.claims(scene, row), replaced, current);
        Cells.Made made = new Cells.Made(entered.test(), entered.id(), current);
        Map<String, Cells.Cell> cells = new TreeMap<>(current);
        if (row.readsOhms()) {
            cells.values().removeIf(cell -> charges.there(cell.at()));
        }
        Cells.Made counted = new Cells.Made(made.test(), made.id(), cells);
        ColdVerdict verdict = cells.isEmpty() && !made.cells().isEmpty()
                ? ColdVerdict.nothing(Charge.refusal(scene.policy().safeVolts()), "Discharge first.")
                : judged(scene, row, counted.figures(scene.kit()));
        String equipment = made.cells().values().stream()
                .max(Comparator.comparing(Cells.Cell::at))
                .map(Cells.Cell::equipment)
                .orElse("");
        return new Done(made.id(), row, made.figures(scene.kit()), made.at(), equipment, verdict, made.cells());
    }

    /** A figure that no longer can be, since the set was changed, proves nothing. */
    private static ColdVerdict judged(ColdScene scene, TestRow row, Figures figures) {
        try {
            return ColdTests.judge(scene, row, figures);
        } catch (InvalidEntry refused) {
            return ColdVerdict.nothing(refused.getMessage(), "Make the test again.");
        }
    }

    private static void observe(ColdScene scene, Done done, List<Observation> into, Set<String> open) {
        said(done.verdict)
                .forEach((word, claims) -> claims.forEach(claim -> {
                    boolean winding = word == Word.FAILED
                            && winding(claim)
                            && !done.row.id().equals(LEAD_OUT);
                    if (winding) {
                        open.add(claim.subject());
                    }
                    List<Cells.Cell> own = own(done, claim.subject());
                    into.add(new Observation(
                            claim,
                            winding ? Word.DOUBTED : word,
                            strength(done, claim.subject()),
                            done.row.path(),
                            own.stream()
                                    .map(Cells.Cell::at)
                                    .max(Comparator.naturalOrder())
                                    .orElse(done.at),
                            done.row.title(),
                            says(scene, done, claim.subject()) + (winding ? " Examine its lead-outs first." : ""),
                            own.stream()
                                    .max(Comparator.comparing(Cells.Cell::at))
                                    .map(Cells.Cell::person)
                                    .orElse(""),
                            own.stream().map(Cells.Cell::entry).distinct().toList()));
                }));
    }

    private static Map<Word, List<Claim>> said(ColdVerdict verdict) {
        Map<Word, List<Claim>> said = new LinkedHashMap<>();
        said.put(Word.DOUBTED, verdict.doubts());
        said.put(Word.SOUND, verdict.proves());
        said.put(Word.FAILED, verdict.refutes());
        return said;
    }

    private static boolean winding(Claim claim) {
        return claim.aspect().continuity()
                && WINDINGS.indexOf(Character.toUpperCase(claim.subject().charAt(0))) >= 0;
    }

    /** The figures that are about one part: those whose key ends with it, else all of the test. */
    private static List<Cells.Cell> own(Done done, String subject) {
        List<Cells.Cell> own = done.cells.entrySet().stream()
                .filter(e -> isAbout(e.getKey(), subject))
                .map(Map.Entry::getValue)
                .toList();
        return own.isEmpty() ? List.copyOf(done.cells.values()) : own;
    }

    private static Strength strength(Done done, String subject) {
        return done.figures.yes("l." + subject) ? Strength.LIFTED : done.row.strength();
    }

    /** Of a test that goes from part to part what it says of this one, else its sentence. */
    private static String says(ColdScene scene, Done done, String subject) {
        return done.row.path()
                ? done.verdict.sentence()
                : done.verdict.results().stream()
                        .filter(r -> r.label().equals(PartTools.name(scene, subject)))
                        .map(r -> r.note().isEmpty() ? r.value() + "." : r.value() + ", " + r.note() + ".")
                        .findFirst()
                        .orElse(done.verdict.sentence());
    }

    /** Ohms read across a part, outside a test's form. */
    private static void ohms(
            ColdScene scene, EvidenceLog log, Charges charges, List<Observation> into, Set<String> open) {
        for (Reading reading : log.readings().ohms()) {
            if (!charges.there(reading.takenAt()) && !ForNow.bridged(log, reading.subject(), reading.takenAt())) {
                boolean lifted = reading.lifted().equalsIgnoreCase(reading.subject());
                PartOhms judged = PartOhms.of(scene, reading.subject(), reading.value(), lifted);
                judged.claims()
                        .forEach(claim -> word(judged.verdict()).ifPresent(word -> {
                            boolean winding = word == Word.FAILED && winding(claim);
                            if (winding) {
                                open.add(claim.subject());
                            }
                            into.add(new Observation(
                                    claim,
                                    winding ? Word.DOUBTED : word,
                                    lifted ? Strength.LIFTED : Strength.IN_CIRCUIT,
                                    false,
                                    reading.takenAt(),
                                    "",
                                    judged.reason() + (winding ? " Examine its lead-outs first." : ""),
                                    "",
                                    List.of(reading.id())));
                        }));
            }
        }
    }

    private static Optional<Word> word(Verdict verdict) {
        return switch (verdict) {
            case GOOD -> Optional.of(Word.SOUND);
            case BAD -> Optional.of(Word.FAILED);
            case DOUBT -> Optional.of(Word.DOUBTED);
            default -> Optional.empty();
        };
    }

    /**
     * Somebody's own test of a part: sound in all that can be said of it, or bad. Insulation is left out: it is what
     * keeps a hand alive, and no word but a figure of megohms at a test voltage says it.
     */
    private static void tested(ColdScene scene, EvidenceLog log, List<Observation> into) {
        List<Claim> all = ColdTests.all(scene);
        for (EvidenceLog.Standing<Proved> s : log.standing(Proved.class)) {
            String subject = s.fact().subject();
            Stream<Claim> whole = Stream.of(new Claim(subject, Aspect.SOUND));
            Stream<Claim> each =
                    all.stream().filter(c -> c.subject().equalsIgnoreCase(subject) && c.aspect() != Aspect.INSULATION);
            (s.fact().sound() ? Stream.concat(whole, each) : whole)
                    .map(claim -> new Observation(
                            claim,
                            s.fact().sound() ? Word.SOUND : Word.FAILED,
                            Strength.ISOLATED,
                            false,
                            s.at(),
                            "",
                            s.fact().sentence() + ".",
                            s.entry().author(),
                            List.of(s.id())))
                    .forEach(into::add);
        }
    }

    /** The last standing result of a test. */
    public Optional<Done> last(String test) {
        return done.stream().filter(d -> d.row.id().equals(test)).reduce((first, second) -> second);
    }

    public boolean proven(Claim claim) {
        return ledger.sound(claim);
    }

    /** Whether a test was made and passed. */
    public boolean passed(String test) {
        return last(test).filter(d -> d.verdict.word() == Verdict.GOOD).isPresent();
    }
}
