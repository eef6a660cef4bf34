package org.umberdial.server.journal.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.journal.Fact;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.journal.PartReplaced;
import org.umberdial.core.journal.Proved;
import org.umberdial.core.journal.Remark;
import org.umberdial.core.reading.Reading;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.value.Engineering;
import org.umberdial.server.journal.JournalService;
import org.umberdial.server.journal.KeptEntry;
import org.umberdial.server.readings.KeptReading;
import org.umberdial.server.readings.ReadingService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;

/** The log: every reading and everything done, found and said, in the order it happened. */
@RestController
@RequestMapping("/api/sets/{setId}")
class JournalController {
    /**
     * One line of the log.
     *
     * @param kind {@code READING} or the kind of fact
     * @param figure what a meter showed, empty for everything else
     * @param standing whether it still holds; what was corrected or taken back stays in the log
     * @param ahead whether its time lies ahead of this machine's clock, which one of the two has wrong
     */
    record LogLine(
            String id,
            String kind,
            Instant takenAt,
            String subject,
            String text,
            String figure,
            String conditions,
            String author,
            boolean standing,
            boolean withdrawal,
            boolean ahead) {}

    private record Placed(int order, LogLine line) {}

    record RemarkEdit(
            @NotNull UUID id,
            @Size(max = 60) String subject,
            @NotBlank @Size(max = 1000) String words,
            @Schema(nullable = true) Instant takenAt) {}

    record EntryWithdrawal(@NotNull UUID id, @NotNull UUID entry) {}

    record TestEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String subject,
            boolean sound,
            @Size(max = 300) String how) {}

    record ReplacementEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String part,
            @Size(max = 200) String with) {}

    private static final Duration CLOCKS_APART = Duration.ofMinutes(5);

    private final JournalService journal;
    private final ReadingService readings;
    private final SetService sets;
    private final Clock clock;

    JournalController(JournalService journal, ReadingService readings, SetService sets, Clock clock) {
        this.journal = journal;
        this.readings = readings;
        this.sets = sets;
        this.clock = clock;
    }

    /** The latest first, in the order they came in: a clock that was set back turns nothing round. */
    @GetMapping("/log")
    List<LogLine> log(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        BenchSet set = sets.set(caller.shopId(), setId.toString()).set();
        List<Placed> lines = new ArrayList<>();
        Instant now = clock.instant();
        List<KeptReading> kept = readings.kept(caller.shopId(), setId.toString());
        Set<String> standing = new HashSet<>(readings.log(caller.shopId(), setId.toString()).standing().stream()
                .map(Reading::id)
                .toList());
        kept.forEach(reading -> lines.add(new Placed(
                reading.order(),
                line(set, reading, standing.contains(reading.reading().id()), now))));
        List<KeptEntry> entries = journal.kept(caller.shopId(), setId.toString());
        Set<String> fallen = new Journal(entries.stream().map(KeptEntry::entry).toList()).fallen();
        entries.forEach(entry -> lines.add(new Placed(
                entry.order(), line(entry, !fallen.contains(entry.entry().id()), now))));
        return lines.stream()
                .sorted(Comparator.comparing(Placed::order).reversed())
                .map(Placed::line)
                .toList();
    }

    private static boolean ahead(Instant stamp, Instant now) {
        return stamp.isAfter(now.plus(CLOCKS_APART));
    }

    private static LogLine line(BenchSet set, KeptReading kept, boolean standing, Instant now) {
        Reading r = kept.reading();
        boolean volts = r.kind() == ReadingKind.DC || r.kind() == ReadingKind.AC;
        String against = r.reference().equals("0") ? "" : " to " + set.nameOf(r.reference());
        String lifted = r.lifted().isEmpty() ? "" : r.lifted() + " lifted";
        String text = r.withdrawn()
                ? "Takes the reading back"
                : kept.note().isEmpty() ? lifted : lifted.isEmpty() ? kept.note() : lifted + "; " + kept.note();
        List<String> conditions = new ArrayList<>();
        if (volts) {
            conditions.add(Engineering.print(r.lineVolts(), org.umberdial.core.value.Unit.VOLT));
        }
        r.meter().ifPresent(meter -> conditions.add(meter.notation()));
        Optional.of(r.mode()).filter(mode -> !mode.isEmpty()).ifPresent(conditions::add);
        r.minutesOn().ifPresent(minutes -> conditions.add(Math.round(minutes) + " min on"));
        return new LogLine(
                r.id(),
                "READING",
                r.takenAt(),
                set.nameOf(r.subject()) + against,
                text,
                Engineering.print(r.value(), r.kind().unit()) + (volts ? " " + r.kind() : ""),
                String.join(", ", conditions),
                kept.author() + ", " + kept.source(),
                standing,
                r.withdrawn(),
                ahead(r.takenAt(), now));
    }

    private static LogLine line(KeptEntry kept, boolean standing, Instant now) {
        Fact fact = kept.entry().fact();
        String text = (kept.entry().withdrawn()
                        ? "Takes back: "
                        : kept.entry().supersedes().isPresent() ? "Corrected: " : "")
                + fact.sentence();
        return new LogLine(
                kept.entry().id(),
                fact.getClass().getSimpleName(),
                kept.entry().takenAt(),
                fact.subject(),
                text,
                "",
                "",
                kept.author()
                        + kept.claimed()
                                .map(name -> ", from a file that names " + (name.isBlank() ? "nobody" : name))
                                .orElse(""),
                standing,
                kept.entry().withdrawn(),
                ahead(kept.entry().takenAt(), now));
    }

    @PostMapping("/remarks")
    void remark(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody RemarkEdit edit) {
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Remark(edit.subject == null ? "" : edit.subject.strip(), edit.words.strip()),
                Optional.ofNullable(edit.takenAt));
    }

    /** Takes an entry back; the log keeps both. */
    @PostMapping("/journal-withdrawals")
    void withdraw(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @Valid @RequestBody EntryWithdrawal edit) {
        journal.withdraw(caller, setId.toString(), edit.id.toString(), edit.entry.toString());
    }

    /** A test of a part that is no plain reading. */
    @PostMapping("/part-tests")
    void tested(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody TestEdit edit) {
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Proved(edit.subject.strip(), edit.sound, edit.how == null ? "" : edit.how.strip()),
                Optional.empty());
    }

    @PostMapping("/replacements")
    void replaced(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @Valid @RequestBody ReplacementEdit edit) {
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new PartReplaced(edit.part.strip(), edit.with == null ? "" : edit.with.strip()),
                Optional.empty());
    }
}
