package org.umberdial.core.parts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation.Word;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PartDecided;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.parts.Consequences.Consequence;
import org.umberdial.core.parts.PartRow.Group;
import org.umberdial.core.parts.PartRow.Kind;
import org.umberdial.core.procedure.Cells;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.RoleLibrary;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** What is known of every part of a set, what it does where it sits, and what happens to it. */
public final class PartsLedger {
    /** A control that nobody named otherwise reads end to end like a resistor. */
    private static final Set<String> NO_PART = Set.of("switch", "heater", "line", "source", "coupling");

    /** A resistor that has so little of its value is a wire. */
    private static final double SHORTED_SHARE = 0.01;

    private final SetFile file;
    private final BenchSet set;
    private final Ledger ledger;
    private final PartsBench bench;
    private final Places places;
    private final Consequences consequences;
    private final RowTexts texts;
    private final Map<String, Cells.Cell> cells = new HashMap<>();

    private PartsLedger(SetFile file) {
        this.file = file;
        set = file.set();
        ledger = file.ledger();
        bench = PartsBench.of(file);
        places = Places.of(file);
        consequences = Consequences.of(file);
        texts = new RowTexts(set, places.roles());
        Cells.of(file.log(), Set.of(), Instant.MAX)
                .made()
                .forEach(made -> made.cells().forEach((key, cell) -> {
                    if (key.startsWith("o.")) {
                        cells.merge(key, cell, (a, b) -> a.at().isAfter(b.at()) ? a : b);
                    }
                }));
    }

    private record Rows(List<PartRow> rows, List<Lot> lots) {}

    private static Rows all(SetFile file) {
        return file.once(Rows.class, () -> new PartsLedger(file).reckon());
    }

    /** A row for every part, by group, in the set's order. */
    public static List<PartRow> rows(SetFile file) {
        return all(file).rows;
    }

    /** Kinds of which anything was read, the worst first. */
    public static List<Lot> lots(SetFile file) {
        return all(file).lots;
    }

    private Rows reckon() {
        List<Draft> drafts = new ArrayList<>();
        Set<String> tubes = new HashSet<>();
        for (Part part : set.parts()) {
            // The halves of a control's track on both sides of its wiper are one part.
            if (part.card().kind().equals("pot") && !part.description().isEmpty() && !tubes.add(track(part))) {
                continue;
            }
            if (!NO_PART.contains(part.card().kind())
                    && "RCLXDQ".indexOf(part.card().letter()) >= 0
                    && (!PartsBench.isTube(part) || tubes.add(set.tubeOf(part.reference())))) {
                drafts.add(draft(part));
            }
        }
        Map<Part, PartState> states = new LinkedHashMap<>();
        drafts.forEach(draft -> states.put(draft.part, draft.state));
        List<Lot> lots = Lot.all(states, file.policy().parts().lotShare());
        Set<String> gone = lots.stream().filter(Lot::lot).map(Lot::kind).collect(Collectors.toSet());
        List<PartRow> rows = drafts.stream()
                .map(draft -> row(draft, gone.contains(Lot.kindOf(draft.part).orElse(""))))
                .sorted(Comparator.comparing(PartRow::group))
                .toList();
        return new Rows(rows, lots);
    }

    private static String track(Part pot) {
        return "pot " + pot.description().replaceAll(",.*", "").strip();
    }

    /** A part with what was read of it, before anything is decided. */
    private record Draft(
            Part part,
            Kind kind,
            PartState state,
            Optional<Word> word,
            String says,
            String reading,
            OptionalDouble ohms,
            Optional<Instant> at,
            List<String> restsOn) {}

    private Draft draft(Part part) {
        Kind kind = kind(part);
        List<Taken> own = bench.of(part.reference());
        Optional<Judged> judged = bench.judged(part.reference());
        List<Ledger.Standing> known = ledger.about(part.reference());
        Optional<Ledger.Standing> conflict =
                known.stream().filter(Ledger.Standing::conflict).findFirst();
        if (conflict.isPresent()) {
            return new Draft(
                    part,
                    kind,
                    PartState.CONFLICT,
                    Optional.of(Word.DOUBTED),
                    conflict.get().says(),
                    RowTexts.reading(own),
                    OptionalDouble.empty(),
                    Optional.of(conflict.get().holds().at()),
                    List.of());
        }
        if (!own.isEmpty() && judged.isPresent()) {
            return new Draft(
                    part,
                    kind,
                    judged.get().state(),
                    judged.get().word(),
                    judged.get().says(),
                    RowTexts.reading(own),
                    OptionalDouble.empty(),
                    Optional.of(own.get(own.size() - 1).at()),
                    own.stream().map(Taken::id).toList());
        }
        return known.isEmpty()
                ? new Draft(
                        part,
                        kind,
                        judged.map(Judged::state).orElse(PartState.UNREAD),
                        Optional.empty(),
                        judged.map(Judged::says).orElse(""),
                        "",
                        OptionalDouble.empty(),
                        Optional.empty(),
                        List.of())
                : byLedger(part, kind, known);
    }

    /** Of what other areas observed. */
    private Draft byLedger(Part part, Kind kind, List<Ledger.Standing> known) {
        OptionalDouble ohms = ohms(part.reference());
        Ledger.Standing gravest = known.stream()
                .max(Comparator.comparing((Ledger.Standing s) -> s.failed() ? 2 : s.doubted() ? 1 : 0)
                        .thenComparing(s -> s.holds().at()))
                .orElseThrow();
        Word word = gravest.failed() ? Word.FAILED : gravest.doubted() ? Word.DOUBTED : Word.SOUND;
        PartState state = word == Word.SOUND
                ? sound(part, kind, known)
                : word == Word.DOUBTED
                        ? PartState.CANNOT_TELL
                        : failed(part, gravest.claim().aspect(), ohms);
        return new Draft(
                part,
                kind,
                state,
                state == PartState.NOT_PROVEN ? Optional.empty() : Optional.of(word),
                gravest.says(),
                ohms.isPresent() ? Engineering.print(ohms.getAsDouble(), Unit.OHM) : "",
                ohms,
                Optional.of(gravest.holds().at()),
                gravest.holds().restsOn());
    }

    /** A capacitor of which only one measure was taken is not proven; anything else that is sound is good. */
    private PartState sound(Part part, Kind kind, List<Ledger.Standing> known) {
        boolean leak = known.stream()
                .anyMatch(s -> s.claim().aspect() == Aspect.NO_LEAK || s.claim().aspect() == Aspect.SOUND);
        boolean size = known.stream()
                .anyMatch(s -> Set.of(Aspect.NOT_OPEN, Aspect.NOT_DRIED, Aspect.SOUND)
                        .contains(s.claim().aspect()));
        boolean capacitor = kind == Kind.CAPACITOR || kind == Kind.ELECTROLYTIC;
        if (capacitor
                && places.at(part.reference()).line()
                && bench.marking(part).kind() != CapacitorKind.SAFETY) {
            return PartState.BY_RULE;
        }
        // A heater that is whole says nothing of emission.
        boolean emission = known.stream()
                .anyMatch(s ->
                        Set.of(Aspect.EMISSION, Aspect.SOUND).contains(s.claim().aspect()));
        return capacitor && !(leak && size) || kind == Kind.TUBE && !emission ? PartState.NOT_PROVEN : PartState.GOOD;
    }

    private static PartState failed(Part part, Aspect aspect, OptionalDouble ohms) {
        return switch (aspect) {
            case NO_LEAK -> PartState.LEAKY;
            case NO_DEAD_SHORT, NO_SHORT -> PartState.SHORTED;
            case NOT_OPEN, WHOLE, HEATER_WHOLE, TRACK_WHOLE -> PartState.OPEN;
            case NOT_DRIED -> PartState.DRIED;
            case EMISSION -> PartState.WEAK;
            case VALUE -> {
                if (ohms.isEmpty() || part.workingValue().isEmpty()) {
                    yield PartState.BAD;
                }
                double share = ohms.getAsDouble() / part.workingValue().get();
                yield Double.isInfinite(ohms.getAsDouble())
                        ? PartState.OPEN
                        : share < SHORTED_SHARE
                                ? PartState.SHORTED
                                : ohms.getAsDouble() > part.workingValue().get()
                                        ? PartState.DRIFTED_HIGH
                                        : PartState.READS_LOW;
            }
            default -> PartState.BAD;
        };
    }

    /** Ohms read across a part last, wherever they were typed. */
    private OptionalDouble ohms(String reference) {
        Optional<Reading> metered =
                file.log().readings().of(reference, ReadingKind.OHMS, "").reduce((first, second) -> second);
        Optional<Cells.Cell> cell = Optional.ofNullable(cells.get("o." + reference));
        boolean cellIsLater = cell.isPresent()
                && metered.filter(m -> m.takenAt().isAfter(cell.get().at())).isEmpty();
        try {
            return cellIsLater
                    ? OptionalDouble.of(
                            cell.get().value().equals("open")
                                    ? Double.POSITIVE_INFINITY
                                    : Double.parseDouble(cell.get().value()))
                    : metered.map(m -> OptionalDouble.of(m.value())).orElse(OptionalDouble.empty());
        } catch (NumberFormatException words) {
            return OptionalDouble.empty();
        }
    }

    private PartRow row(Draft draft, boolean lot) {
        Part part = draft.part;
        Optional<Ledger.Replaced> replaced = ledger.replaced(part.reference());
        Consequence consequence = consequence(draft);
        Optional<NetworkRole> role = places.roles().role(part.reference());
        PartRule.Answer answer = new PartRule(
                        part,
                        draft.kind,
                        bench.marking(part).kind(),
                        draft.state,
                        draft.word,
                        role,
                        consequence,
                        places.at(part.reference()),
                        replaced,
                        decided(part.reference()),
                        lot,
                        file.policy())
                .answer();
        return new PartRow(
                part.reference(),
                PartsBench.isTube(part)
                        ? Card.tube(part.reference())
                        : part.reference().replaceFirst("(?i)^X(?=[A-Z])", ""),
                texts.job(part),
                draft.kind,
                texts.marked(part, replaced),
                draft.reading,
                replaced.isPresent() && draft.state == PartState.UNREAD ? PartState.REPLACED : draft.state,
                draft.word,
                draft.says,
                consequence.says(),
                Trial.of(
                        part,
                        draft.state,
                        draft.ohms,
                        places.across(part),
                        file.policy().wattsMargin()),
                answer.decision(),
                answer.because(),
                group(draft, role, consequence),
                places.at(part.reference()),
                draft.ohms,
                leak(part.reference()),
                draft.at,
                draft.restsOn);
    }

    private OptionalDouble leak(String reference) {
        return bench.of(reference).stream()
                .map(t -> t.read().leakOhms())
                .filter(OptionalDouble::isPresent)
                .reduce((first, second) -> second)
                .orElse(OptionalDouble.empty());
    }

    private Optional<EvidenceLog.Standing<PartDecided>> decided(String reference) {
        return file.log().standing(PartDecided.class).stream()
                .filter(s -> s.fact().part().equalsIgnoreCase(reference))
                .filter(s -> ledger.replaced(reference)
                        .filter(r -> r.at().isAfter(s.at()))
                        .isEmpty())
                .max(Comparator.comparing(EvidenceLog.Standing::at));
    }

    private Consequence consequence(Draft draft) {
        Part part = draft.part;
        return switch (draft.state) {
            case DRIFTED_HIGH, READS_LOW ->
                consequences.ofOhms(part, draft.ohms.orElse(part.workingValue().orElse(1.0)));
            case OPEN ->
                part.card().letter() == 'R'
                        ? consequences.ofOhms(part, Double.POSITIVE_INFINITY)
                        : consequences.told(part, "open");
            case LEAKY -> {
                OptionalDouble leak = leak(part.reference());
                yield leak.isPresent() && Double.isFinite(leak.getAsDouble())
                        ? consequences.ofLeak(part, leak.getAsDouble())
                        : consequences.told(part, "leaky");
            }
            case SHORTED ->
                part.card().letter() == 'R'
                        ? consequences.ofOhms(part, draft.ohms.orElse(0))
                        : part.card().letter() == 'C' ? consequences.ofLeak(part, 1) : consequences.told(part, "short");
            case DRIED -> consequences.told(part, "dried");
            case WEAK -> consequences.told(part, "weak");
            default -> Consequence.NONE;
        };
    }

    private Group group(Draft draft, Optional<NetworkRole> role, Consequence consequence) {
        boolean capacitor = draft.kind == Kind.CAPACITOR || draft.kind == Kind.ELECTROLYTIC;
        List<RoleLibrary.Failure> failures = role.map(RoleLibrary::of).orElse(List.of());
        boolean before = consequence.overloads()
                || capacitor && places.at(draft.part.reference()).guardsGrid()
                || places.at(draft.part.reference()).line()
                || capacitor
                        && failures.stream()
                                .anyMatch(f -> f.failure().equals("leaky")
                                        && f.urgency() == RoleLibrary.Urgency.BEFORE_FIRST_POWER);
        if (before) {
            return Group.BEFORE_POWER;
        }
        boolean shifts = consequence.solved() && consequence.moves() > 0.01
                || failures.stream().anyMatch(RoleLibrary.Failure::movesVolts);
        return shifts ? Group.SHIFTS : Group.HEARD;
    }

    private Kind kind(Part part) {
        if (PartsBench.isCapacitor(part)) {
            return bench.marking(part).kind() == CapacitorKind.ELECTROLYTIC ? Kind.ELECTROLYTIC : Kind.CAPACITOR;
        }
        if (PartsBench.isTube(part)) {
            return Kind.TUBE;
        }
        String kind = part.card().kind();
        return switch (part.card().letter()) {
            case 'R' -> kind.equals("pot") ? Kind.CONTROL : kind.equals("winding") ? Kind.WOUND : Kind.RESISTOR;
            case 'L' -> Kind.WOUND;
            case 'X' -> kind.equals("transformer") ? Kind.WOUND : Kind.OTHER;
            default -> Kind.OTHER;
        };
    }
}
