package org.umberdial.core.parts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;

/** Parts: what is known of each, what goes in, what is left to do. */
public final class PartsArea implements Area {
    private static final String ID = "parts";
    private static final double MINUTES_TO_REPLACE = 10;
    private static final double MINUTES_TO_SETTLE = 4;
    private static final double MINUTES_TO_PUT_RIGHT = 3;

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Parts";
    }

    /** The strip's shorthand for a set. @param instrument id of what is read with; may be empty */
    public static PartsEntry entry(SetFile file, DecimalSign decimalSign, String instrument) {
        return new PartsEntry(
                file.set(),
                file.contents().bench(),
                decimalSign,
                file.contents().kit().instrument(instrument),
                PartsBench.of(file)::marking);
    }

    /** How a part would stand if this were kept too. */
    public static PartRow withReading(SetFile file, Fact fact, Instant at) {
        SetFile.Contents there = file.contents();
        SetFile with = new SetFile(
                new SetFile.Contents(
                        there.set(),
                        there.extras(),
                        there.label(),
                        there.policy(),
                        there.bench(),
                        there.log().and(List.of(new LogEntry("preview", fact, at, Optional.empty(), false))),
                        there.photos(),
                        there.kit(),
                        there.catalogue()),
                file.areas());
        return PartsLedger.rows(with).stream()
                .filter(row -> row.reference().equals(fact.subject()))
                .findFirst()
                .orElseThrow(() -> new InvalidEntry(
                        InvalidEntry.Code.UNKNOWN, fact.subject() + " has no row among the parts of this set."));
    }

    @Override
    public List<Claim> claims(SetFile file) {
        PartsBench bench = PartsBench.of(file);
        Set<Claim> claims = new LinkedHashSet<>();
        for (Part part : file.set().parts()) {
            if (PartsBench.isCapacitor(part)) {
                claims.add(new Claim(part.reference(), Aspect.NO_LEAK));
                claims.add(new Claim(
                        part.reference(),
                        bench.marking(part).kind() == CapacitorKind.ELECTROLYTIC ? Aspect.NOT_DRIED : Aspect.NOT_OPEN));
            } else if (PartsBench.isTube(part)) {
                String tube = file.set().tubeOf(part.reference());
                claims.add(new Claim(tube, Aspect.EMISSION));
                claims.add(new Claim(tube, Aspect.NO_SHORTS));
            }
        }
        return List.copyOf(claims);
    }

    @Override
    public List<Observation> observations(SetFile file, Ledger before) {
        List<Observation> seen = new ArrayList<>();
        PartsBench.of(file)
                .all()
                .forEach(one -> one.getValue().found().forEach(found -> {
                    Taken by = found.by();
                    seen.add(new Observation(
                            new Claim(one.getKey(), found.aspect()),
                            found.word(),
                            switch (by.read().placing()) {
                                case IN_PLACE -> Strength.IN_CIRCUIT;
                                case LIFTED -> Strength.LIFTED;
                                // Out of the set nothing is beside it either.
                                case OUT -> Strength.LIFTED;
                            },
                            false,
                            by.at(),
                            "",
                            found.says(),
                            by.person(),
                            List.of(by.id())));
                }));
        return seen;
    }

    /** Parts that failed by their own readings go; what disagrees is settled. What to read the cold bench asks for. */
    @Override
    public List<Act> acts(SetFile file) {
        List<Act> acts = new ArrayList<>();
        Set<String> read = read(file);
        for (PartRow row : PartsLedger.rows(file)) {
            boolean own = read.contains(row.reference());
            if (own && row.decision() == Decision.REPLACE && failed(row)) {
                acts.add(act(
                        ID + ":replace:" + row.reference(),
                        row,
                        "Replace " + called(row),
                        row.says() + (row.consequence().isEmpty() ? "" : " Left in, " + row.consequence() + "."),
                        MINUTES_TO_REPLACE));
            } else if (own && row.decision() == Decision.SETTLE) {
                acts.add(act(
                        ID + ":settle:" + row.reference(),
                        row,
                        "Settle " + called(row),
                        row.says(),
                        MINUTES_TO_SETTLE));
            }
        }
        ForNow.open(file.log())
                .forEach(s -> acts.add(new Act(
                        ID + ":for-now:" + s.id(),
                        s.fact().part(),
                        s.fact().way().undo() + ": " + s.fact().part() + " "
                                + s.fact().way().label(),
                        "It was so for now"
                                + (s.fact().note().isEmpty()
                                        ? ""
                                        : " (" + s.fact().note() + ")")
                                + "; what was changed for now is put right before the set leaves.",
                        List.of(),
                        MINUTES_TO_PUT_RIGHT,
                        Plug.OUT_HANDS_IN,
                        Act.Urgency.LAST)));
        return acts;
    }

    private static Act act(String id, PartRow row, String title, String why, double minutes) {
        return new Act(id, row.reference(), title, why, List.of(), minutes, Plug.OUT_HANDS_IN, Act.Urgency.USUAL);
    }

    private static String called(PartRow row) {
        return row.called() + (row.job().isEmpty() ? "" : ", " + row.job());
    }

    private static boolean failed(PartRow row) {
        return row.word().filter(w -> w == Observation.Word.FAILED).isPresent();
    }

    private static Set<String> read(SetFile file) {
        Set<String> parts = new HashSet<>();
        file.log().standing(PartRead.class).forEach(s -> parts.add(s.fact().part()));
        return parts;
    }

    /** A part that failed where its failure takes others with it keeps the plug out until it is replaced. */
    @Override
    public List<Stop> stops(SetFile file) {
        Set<String> read = read(file);
        return PartsLedger.rows(file).stream()
                .filter(row -> row.grave() && read.contains(row.reference()) && row.decision() == Decision.REPLACE)
                .map(row -> new Stop(
                        "power:" + row.reference() + ":parts",
                        Gate.POWER,
                        called(row) + ". " + row.says()
                                + (row.consequence().isEmpty() ? "" : " Left in, " + row.consequence() + "."),
                        true,
                        ID + ":replace:" + row.reference()))
                .toList();
    }

    @Override
    public String standing(SetFile file) {
        List<PartRow> rows = PartsLedger.rows(file);
        if (rows.isEmpty()) {
            return "No circuit yet: the parts come with it.";
        }
        Map<Decision, Long> count =
                rows.stream().collect(Collectors.groupingBy(PartRow::decision, Collectors.counting()));
        List<String> words = new ArrayList<>();
        said(words, count.getOrDefault(Decision.REPLACE, 0L), "to replace");
        said(words, count.getOrDefault(Decision.FORM, 0L), "to form");
        said(words, count.getOrDefault(Decision.SETTLE, 0L), "to settle");
        said(words, count.getOrDefault(Decision.READ, 0L), "to read");
        return words.isEmpty() ? "Every part is settled." : String.join(", ", words) + ".";
    }

    private static void said(List<String> words, long count, String what) {
        if (count > 0) {
            words.add(count + " " + what);
        }
    }
}
