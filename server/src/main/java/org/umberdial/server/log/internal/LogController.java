package org.umberdial.server.log.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.IntStream;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Proved;
import org.umberdial.core.evidence.Remark;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.evidence.KeptEntry;
import org.umberdial.server.evidence.LogLines;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The log: every reading and everything done, found and said, in the order it happened. */
@RestController
@RequestMapping("/api/sets/{setId}")
class LogController {
    /**
     * A stretch of the log, the latest first.
     *
     * @param total how many entries there are in all, of the kinds and words asked for
     * @param before where the next stretch begins; null when this is the last
     */
    record LogPage(
            List<LogLines.LogLine> lines,
            int total,
            @Schema(nullable = true) Integer before) {}

    record RemarkEdit(
            @NotNull UUID id,
            @Size(max = 60) String subject,
            @NotBlank @Size(max = 1000) String words,
            @Schema(nullable = true) Instant takenAt) {}

    /** Either name for the entry that is taken back; browsers of earlier versions sent the second for a reading. */
    record EntryWithdrawal(
            @NotNull UUID id,
            @Schema(nullable = true) UUID entry,
            @Schema(nullable = true) UUID readingId) {}

    record TestEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String subject,
            boolean sound,
            @Size(max = 300) String how) {}

    record ReplacementEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String part,
            @Size(max = 200) String with,
            @Schema(nullable = true) Boolean standsIn) {}

    private static final int MOST_LINES = 200;

    private final EvidenceService evidence;
    private final SetFiles files;
    private final Clock clock;

    LogController(EvidenceService evidence, SetFiles files, Clock clock) {
        this.evidence = evidence;
        this.files = files;
        this.clock = clock;
    }

    /**
     * The latest first, in the order they came in: a clock that was set back turns nothing round.
     *
     * @param kinds stored kinds; all when there is none
     * @param words that a line must say
     * @param before the place in the order below which the stretch begins; the latest when absent
     */
    @GetMapping("/log")
    LogPage log(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @RequestParam(defaultValue = "") @Size(max = 20) List<@Size(max = 30) String> kinds,
            @RequestParam(defaultValue = "") @Size(max = 100) String words,
            @RequestParam(required = false) Integer before,
            @RequestParam(defaultValue = "100") @Min(1) @Max(MOST_LINES) int size) {
        OpenSet open = files.open(caller.shopId(), setId.toString());
        List<KeptEntry> kept = open.kept();
        LogLines lines = new LogLines(open.set(), open.log().fallen(), clock.instant());
        String wanted = words.strip().toLowerCase(Locale.ROOT);
        // Lines are only worded where the words are asked for: a log may be long and a stretch of it is short.
        List<KeptEntry> found = kinds.isEmpty() && wanted.isEmpty()
                ? kept
                : kept.stream()
                        .filter(entry -> kinds.isEmpty() || kinds.contains(LogLines.kind(entry)))
                        .filter(entry ->
                                wanted.isEmpty() || says(lines.line(entry)).contains(wanted))
                        .toList();
        List<LogLines.LogLine> shown = IntStream.range(0, found.size())
                .mapToObj(i -> found.get(found.size() - 1 - i))
                .filter(entry -> before == null || entry.order() < before)
                .limit(size + 1L)
                .map(lines::line)
                .toList();
        boolean more = shown.size() > size;
        List<LogLines.LogLine> stretch = more ? shown.subList(0, size) : shown;
        return new LogPage(stretch, found.size(), more ? stretch.get(size - 1).order() : null);
    }

    private static String says(LogLines.LogLine line) {
        return String.join(" ", line.subject(), line.text(), line.figure(), line.conditions(), line.author())
                .toLowerCase(Locale.ROOT);
    }

    @PostMapping("/remarks")
    void remark(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody RemarkEdit edit) {
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Remark(edit.subject == null ? "" : edit.subject.strip(), edit.words.strip()),
                Optional.ofNullable(edit.takenAt));
    }

    /** Takes an entry back; the log keeps both. */
    @PostMapping({"/withdrawals", "/journal-withdrawals"})
    void withdraw(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @Valid @RequestBody EntryWithdrawal edit) {
        evidence.withdraw(caller, setId.toString(), edit.id.toString(), taken(edit));
    }

    private static String taken(EntryWithdrawal edit) {
        UUID entry = edit.entry == null ? edit.readingId : edit.entry;
        if (entry == null) {
            throw new InvalidEntry(InvalidEntry.Code.EMPTY, "Say which entry is taken back.").at("entry");
        }
        return entry.toString();
    }

    /** A test of a part that is no plain reading. */
    @PostMapping("/part-tests")
    void tested(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody TestEdit edit) {
        evidence.keep(
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
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new PartReplaced(
                        edit.part.strip(),
                        edit.with == null ? "" : edit.with.strip(),
                        Boolean.TRUE.equals(edit.standsIn)),
                Optional.empty());
    }
}
