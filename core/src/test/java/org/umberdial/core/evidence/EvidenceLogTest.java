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
