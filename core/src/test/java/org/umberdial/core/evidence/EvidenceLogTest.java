package org.umberdial.core.evidence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.reading.ReadingKind;

class EvidenceLogTest {
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void whateverIsCorrectedOrTakenBack_eachFirstEntryStandsOnceOrNotAtAll_inItsPlace(long seed) {
        Random random = new Random(seed);
        List<LogEntry> entries = new ArrayList<>();
        List<String> roots = new ArrayList<>();
        List<String> last = new ArrayList<>();
        List<Boolean> standing = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            String id = "e" + i;
            if (roots.isEmpty() || random.nextInt(3) > 0) {
                entries.add(entry(id, Optional.empty(), false));
                roots.add(id);
                last.add(id);
                standing.add(true);
            } else {
                int which = random.nextInt(roots.size());
                boolean withdrawn = random.nextBoolean();
                entries.add(entry(id, Optional.of(last.get(which)), withdrawn));
                last.set(which, id);
                standing.set(which, !withdrawn);
            }
        }
        EvidenceLog journal = new EvidenceLog(entries);
        List<String> wanted = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (int i = 0; i < roots.size(); i++) {
            if (standing.get(i)) {
                wanted.add(roots.get(i));
                words.add(last.get(i));
            }
        }
        assertEquals(
                wanted,
                journal.standing(Remark.class).stream()
                        .map(EvidenceLog.Standing::id)
                        .toList());
        assertEquals(
                words,
                journal.standing(Remark.class).stream()
                        .map(s -> s.fact().words())
                        .toList());
        words.forEach(word -> assertFalse(journal.fallen().contains(word)));
        assertEquals(entries.size() - words.size(), journal.fallen().size());
    }

    /** A log that grows entry by entry says the same as one that is read anew. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void grown_isAsReadAnew(long seed) {
        Random random = new Random(seed);
        EvidenceLog grown = new EvidenceLog(List.of());
        List<LogEntry> all = new ArrayList<>();
        for (int i = 0; i < 60; i++) {
            Fact fact = random.nextInt(4) == 0
                    ? new Remark("", "words " + i)
                    : new Metered(
                            "b" + random.nextInt(3),
                            "0",
                            random.nextBoolean() ? ReadingKind.DC : ReadingKind.OHMS,
                            i,
                            117,
                            "10M",
                            "",
                            null,
                            "");
            Optional<String> earlier =
                    i > 3 && random.nextInt(8) == 0 ? Optional.of("e" + random.nextInt(i)) : Optional.empty();
            // A clock that was set back, now and then.
            Instant at = Instant.EPOCH.plusSeconds(random.nextInt(10) == 0 ? 0 : i);
            LogEntry next = new LogEntry("e" + i, fact, at, earlier, earlier.isPresent() && random.nextBoolean());
            all.add(next);
            grown = grown.and(List.of(next));
            EvidenceLog anew = new EvidenceLog(all);
            assertEquals(anew.entries(), grown.entries());
            assertEquals(anew.standing(), grown.standing());
            assertEquals(anew.standing(Metered.class), grown.standing(Metered.class));
            assertEquals(anew.standing(Remark.class), grown.standing(Remark.class));
            assertEquals(anew.readings().standing(), grown.readings().standing());
            assertEquals(anew.readings().ohms(), grown.readings().ohms());
            assertEquals(
                    anew.readings().latest("b1", "0", ReadingKind.DC, ""),
                    grown.readings().latest("b1", "0", ReadingKind.DC, ""));
            assertEquals(anew.fallen(), grown.fallen());
        }
    }

    @Test
    void aCorrectionOfSomethingUnknownStandsByItself() {
        EvidenceLog journal = new EvidenceLog(List.of(entry("e1", Optional.of("elsewhere"), false)));
        assertEquals(1, journal.standing(Remark.class).size());
        assertTrue(journal.standing(Told.class).isEmpty());
    }

    private static LogEntry entry(String id, Optional<String> supersedes, boolean withdrawn) {
        return new LogEntry(id, new Remark("", id), Instant.EPOCH, supersedes, withdrawn);
    }
}
