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
        String said = ColdTests.judge(ColdArea.scene(set.file()), row, readWith(set, instrument, figures))
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

    /** The figures with how far the meter shows that they are read with. */
    public static Figures readWith(OpenSet set, String instrument, Figures figures) {
        return figures.readUpTo(set.file().contents().kit().highest(instrument, Equipment.OHMMETER));
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
        Map<String, Cells.Cell> there = ColdTests.standsBesideItself(row)
                ? Map.of()
                : ColdArea.bench(set.file())
                        .last(row.id())
                        .map(ColdBench.Done::cells)
                        .orElse(Map.of());
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
