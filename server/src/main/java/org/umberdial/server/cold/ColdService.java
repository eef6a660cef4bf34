package org.umberdial.server.cold;

import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.procedure.Cells;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;

/** Keeps what is read at the cold bench, figure by figure. */
@Service
public class ColdService {
    private final EvidenceService evidence;
    private final InstrumentService instruments;

    public ColdService(EvidenceService evidence, InstrumentService instruments) {
        this.evidence = evidence;
        this.instruments = instruments;
    }

    /**
     * Keeps the figures of a test that were read now; those that were only shown again stay as they are, with their own
     * time and person.
     *
     * @param figures the whole form
     * @param read keys of what was read now; empty when the browser does not say, then whatever differs
     * @throws InvalidEntry for a figure that cannot be
     */
    @Transactional
    public void keep(
            Caller caller,
            OpenSet set,
            String id,
            TestRow row,
            Figures figures,
            Optional<Set<String>> read,
            String instrument,
            Optional<Instant> takenAt) {
        String said = ColdTests.judge(ColdArea.scene(set.file()), row, readWith(set, row, figures, read, instrument))
                .sentence();
        if (!instrument.isEmpty()) {
            instruments.require(caller.shopId(), instrument);
        }
        Optional<LogEntry> there = set.log().entries().stream()
                .filter(entry -> entry.id().equals(id))
                .findFirst();
        if (there.isPresent()) {
            requireSame(there.get(), row, figures);
            return;
        }
        Map<String, String> kept = fresh(set, row, figures, read);
        if (kept.isEmpty()) {
            throw new InvalidEntry(
                    InvalidEntry.Code.EMPTY, "Nothing here was read anew: these figures are kept already.");
        }
        evidence.keep(caller, set.id(), id, new Benched(row.id(), row.title(), kept, instrument, said, false), takenAt);
    }

    /**
     * The figures of a form, each with how far its meter shows: one that was only shown again keeps the meter it was
     * read with.
     *
     * @param read keys of what was read now with this instrument; empty when that is not said, then whatever differs
     */
    public static Figures readWith(
            OpenSet set, TestRow row, Figures figures, Optional<Set<String>> read, String instrument) {
        Kit kit = set.file().contents().kit();
        Map<String, Cells.Cell> there = kept(set, row);
        Map<String, Double> reach = new LinkedHashMap<>();
        figures.entered().forEach((key, value) -> {
            String with = isFresh(there, key, value, read)
                    ? instrument
                    : there.get(key).equipment();
            kit.highest(with, Equipment.OHMMETER).ifPresent(highest -> reach.put(key, highest));
        });
        return new Figures(figures.entered(), reach);
    }

    private static Map<String, Cells.Cell> kept(OpenSet set, TestRow row) {
        return ColdTests.standsBesideItself(row)
                ? Map.of()
                : ColdArea.bench(set.file())
                        .last(row.id())
                        .map(ColdBench.Done::cells)
                        .orElse(Map.of());
    }

    private static boolean isFresh(
            Map<String, Cells.Cell> there, String key, String value, Optional<Set<String>> read) {
        boolean same = there.containsKey(key) && there.get(key).value().equals(value);
        return !there.containsKey(key) || read.map(keys -> keys.contains(key)).orElse(!same);
    }

    /** The same id again changes nothing when it says the same of what was kept. */
    private static void requireSame(LogEntry there, TestRow row, Figures figures) {
        boolean same = there.fact() instanceof Benched benched
                && benched.test().equals(row.id())
                && benched.figures().entrySet().stream()
                        .allMatch(e -> figures.text(e.getKey()).equals(e.getValue()));
        if (!same) {
            throw Problem.sameId("An entry");
        }
    }

    private static Map<String, String> fresh(OpenSet set, TestRow row, Figures figures, Optional<Set<String>> read) {
        Map<String, Cells.Cell> there = kept(set, row);
        Map<String, String> fresh = new LinkedHashMap<>();
        figures.entered().forEach((key, value) -> {
            boolean same = there.containsKey(key) && there.get(key).value().equals(value);
            if (read.map(keys -> keys.contains(key)).orElse(!same)) {
                fresh.put(key, value);
            }
        });
        there.keySet().stream()
                .filter(key -> !figures.has(key))
                .filter(key -> read.map(keys -> keys.contains(key)).orElse(true))
                .forEach(key -> fresh.put(key, ""));
        return fresh;
    }
}
