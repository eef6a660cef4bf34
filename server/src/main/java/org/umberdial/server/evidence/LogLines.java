package org.umberdial.server.evidence;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.Kind;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.evidence.Unread;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** Entries as the log shows them. */
public final class LogLines {
    /**
     * One line of the log.
     *
     * @param kind the stored kind
     * @param order its place among all entries of the set
     * @param figure what a meter showed, empty for everything else
     * @param standing whether it still holds; what was corrected or taken back stays in the log
     * @param ahead whether its time lies ahead of this machine's clock, which one of the two has wrong
     */
    public record LogLine(
            String id,
            String kind,
            int order,
            Instant takenAt,
            String subject,
            String text,
            String figure,
            String conditions,
            String author,
            boolean standing,
            boolean withdrawal,
            boolean ahead) {}

    private static final Duration CLOCKS_APART = Duration.ofMinutes(5);

    private final BenchSet set;
    private final Set<String> fallen;
    private final Instant now;

    /** @param fallen ids of entries that no longer stand */
    public LogLines(BenchSet set, Set<String> fallen, Instant now) {
        this.set = set;
        this.fallen = fallen;
        this.now = now;
    }

    public LogLine line(KeptEntry kept) {
        Fact fact = kept.entry().fact();
        boolean withdrawn = kept.entry().withdrawn();
        boolean corrects = !withdrawn && kept.entry().supersedes().isPresent();
        return new LogLine(
                kept.entry().id(),
                kind(kept),
                kept.order(),
                kept.entry().takenAt(),
                fact instanceof Metered m ? metered(m) : fact.subject(),
                fact instanceof Metered m
                        ? note(m, kept, withdrawn)
                        : (withdrawn ? "Takes back: " : corrects ? "Corrected: " : "") + fact.sentence(),
                fact instanceof Metered m ? figure(m) : "",
                fact instanceof Metered m ? conditions(m) : "",
                author(kept),
                !fallen.contains(kept.entry().id()),
                withdrawn,
                kept.entry().takenAt().isAfter(now.plus(CLOCKS_APART)));
    }

    /** The stored kind of an entry. */
    public static String kind(KeptEntry kept) {
        return kept.entry().fact() instanceof Unread unread
                ? unread.kind()
                : Kind.of(kept.entry().fact()).stored();
    }

    private String metered(Metered m) {
        return set.nameOf(m.subject()) + (m.reference().equals("0") ? "" : " to " + set.nameOf(m.reference()));
    }

    private static String note(Metered m, KeptEntry kept, boolean withdrawn) {
        String lifted = m.otherwise();
        return withdrawn
                ? "Takes the reading back"
                : String.join(
                        "; ",
                        List.of(lifted, kept.note()).stream()
                                .filter(text -> !text.isEmpty())
                                .toList());
    }

    private static boolean volts(Metered m) {
        return m.kind() == ReadingKind.DC || m.kind() == ReadingKind.AC;
    }

    private static String figure(Metered m) {
        return Engineering.print(m.value(), m.kind().unit()) + (volts(m) ? " " + m.kind() : "");
    }

    private static String conditions(Metered m) {
        List<String> conditions = new ArrayList<>();
        if (volts(m)) {
            conditions.add(Engineering.print(m.lineVolts(), Unit.VOLT));
        }
        if (!m.meter().isEmpty()) {
            conditions.add(m.meter());
        }
        if (!m.mode().isEmpty()) {
            conditions.add(m.mode());
        }
        m.minutes().ifPresent(minutes -> conditions.add(Math.round(minutes) + " min on"));
        return String.join(", ", conditions);
    }

    private static String author(KeptEntry kept) {
        return kept.author()
                + (kept.source().isEmpty() ? "" : ", " + kept.source())
                + kept.claimed()
                        .map(name -> ", from a file that names " + (name.isBlank() ? "nobody" : name))
                        .orElse("");
    }
}
