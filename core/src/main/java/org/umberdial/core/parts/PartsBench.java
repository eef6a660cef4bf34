package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;

/** Every part's readings that stand, and what they say together. */
final class PartsBench {
    private final BenchSet set;
    private final Map<String, List<Taken>> readings = new HashMap<>();
    private final Map<String, Judged> judged = new HashMap<>();
    private final Map<String, Ledger.Replaced> renewed = new HashMap<>();

    private PartsBench(SetFile file) {
        set = file.set();
        Kit kit = file.contents().kit();
        for (Ledger.Replaced replaced : SetFile.replaced(file.log())) {
            renewed.merge(upper(replaced.subject()), replaced, (a, b) -> a.at().isAfter(b.at()) ? a : b);
        }
        for (EvidenceLog.Standing<PartRead> s : file.log().standing(PartRead.class)) {
            String part = upper(set.tubeOf(s.fact().part()));
            if (!renewed.containsKey(part) || !s.at().isBefore(renewed.get(part).at())) {
                readings.computeIfAbsent(part, p -> new ArrayList<>())
                        .add(new Taken(
                                s.fact(),
                                s.at(),
                                s.entry().author(),
                                s.id(),
                                reach(kit, s.fact().instrument())));
            }
        }
        readings.values().forEach(all -> all.sort(java.util.Comparator.comparing(Taken::at)));
        Places places = Places.of(file);
        for (Part part : set.parts()) {
            List<Taken> own = of(part.reference());
            if (isCapacitor(part)) {
                judged.put(
                        part.reference(),
                        CapacitorJudge.judge(capacitor(file, part, places.at(part.reference()), own)));
            } else if (isTube(part) && set.tubeOf(part.reference()).equals(part.reference())) {
                judged.put(
                        part.reference(),
                        TubeJudge.judge(
                                post(places, part),
                                own,
                                file.policy().parts(),
                                file.policy().schools()));
            }
        }
    }

    static PartsBench of(SetFile file) {
        return file.once(PartsBench.class, () -> new PartsBench(file));
    }

    private static String upper(String subject) {
        return subject.toUpperCase(Locale.ROOT);
    }

    private static OptionalDouble reach(Kit kit, String instrument) {
        OptionalDouble leakage = kit.highest(instrument, Equipment.LEAKAGE_TESTER);
        return leakage.isPresent() ? leakage : kit.highest(instrument, Equipment.INSULATION_TESTER);
    }

    private CapacitorCase capacitor(SetFile file, Part part, Place place, List<Taken> own) {
        Marking marking = marking(part);
        return new CapacitorCase(
                marking.kind(),
                marking.value(),
                marking.confirmed(),
                marking.ratedVolts(),
                place,
                own,
                file.policy().parts());
    }

    /** Of all sections of a tube the strictest post. */
    private TubeJudge.Post post(Places places, Part part) {
        List<NetworkRole> roles = set.parts().stream()
                .filter(p -> set.tubeOf(p.reference()).equals(part.reference()))
                .flatMap(p -> places.roles().role(p.reference()).stream())
                .toList();
        if (roles.contains(NetworkRole.OUTPUT_TUBE)) {
            return TubeJudge.Post.OUTPUT;
        }
        if (roles.contains(NetworkRole.RECTIFIER_TUBE)) {
            return TubeJudge.Post.RECTIFIER;
        }
        return roles.contains(NetworkRole.CONVERTER_TUBE) ? TubeJudge.Post.OSCILLATOR : TubeJudge.Post.EASY;
    }

    static boolean isCapacitor(Part part) {
        return part.card().letter() == 'C' && part.nodes().size() == 2;
    }

    static boolean isTube(Part part) {
        return part.card().letter() == 'X' && part.card().kind().equals("tube");
    }

    /** What stands on what is in a part's place now. */
    Marking marking(Part part) {
        Ledger.Replaced by = renewed.get(upper(part.reference()));
        return by == null || !isCapacitor(part) ? Marking.of(part) : Marking.of(part, by);
    }

    /** Readings of a part since it was last replaced, oldest first. */
    List<Taken> of(String reference) {
        return readings.getOrDefault(upper(reference), List.of());
    }

    /** What they say; empty for what is read by ohms alone. */
    Optional<Judged> judged(String reference) {
        return Optional.ofNullable(judged.get(reference));
    }

    Stream<Map.Entry<String, Judged>> all() {
        return judged.entrySet().stream();
    }
}
