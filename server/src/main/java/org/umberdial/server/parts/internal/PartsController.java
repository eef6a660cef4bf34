package org.umberdial.server.parts.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.evidence.ForNowEnded;
import org.umberdial.core.evidence.PartCovered;
import org.umberdial.core.evidence.PartDecided;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.parts.PartsArea;
import org.umberdial.core.parts.PartsLedger;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** What is known of a set's parts. */
@RestController
@RequestMapping("/api/sets/{setId}/ledger")
class PartsController {
    /**
     * A line of the strip.
     *
     * @param part the one a line without a reference is about; may be empty
     * @param placing where parts are read unless the line says otherwise
     * @param instrument id of what it is read with; may be empty
     */
    record LedgerLine(
            @NotNull @Size(max = 200) String text,
            @NotNull @Size(max = 60) String part,
            @NotNull Placing placing,
            @NotNull @Size(max = 36) String instrument) {}

    record LedgerEntry(
            @NotNull UUID id,
            @NotNull @Size(max = 200) String text,
            @NotNull @Size(max = 60) String part,
            @NotNull Placing placing,
            @NotNull @Size(max = 36) String instrument,
            @Schema(nullable = true) Instant takenAt) {}

    record ChoiceEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 60) String part,
            @NotNull PartDecided.Choice choice,
            @NotNull @Size(max = 300) String reason) {}

    /** @param by the part above; empty when it lies free */
    record CoverEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 60) String part,
            @NotNull @Size(max = 60) String by) {}

    record ForNowEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String part,
            @NotNull ForNow.Way way,
            @NotNull @Size(max = 200) String note) {}

    record PutRight(@NotNull UUID id) {}

    /** @param row as it would stand with this line; null when the line is not understood, which {@code fault} says */
    record LedgerPreview(@Schema(nullable = true) LedgerViews.LedgerRow row, String understood, String fault) {}

    private final SetFiles files;
    private final EvidenceService evidence;
    private final InstrumentService instruments;

    PartsController(SetFiles files, EvidenceService evidence, InstrumentService instruments) {
        this.files = files;
        this.evidence = evidence;
        this.instruments = instruments;
    }

    @GetMapping
    LedgerViews.LedgerView ledger(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return LedgerViews.ledger(set(caller, setId));
    }

    /** What a line would say; nothing is kept. */
    @PostMapping("/entry-previews")
    LedgerPreview preview(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody LedgerLine line) {
        OpenSet set = set(caller, setId);
        try {
            Fact fact = understood(set, line.text, line.part, line.placing, line.instrument);
            PartRow row = PartsArea.withReading(set.file(), fact, Instant.now());
            return new LedgerPreview(LedgerViews.row(row), fact.sentence(), "");
        } catch (InvalidEntry refused) {
            return new LedgerPreview(null, "", refused.getMessage());
        }
    }

    /** Keeps a line; the same id again changes nothing. */
    @PostMapping("/entries")
    LedgerViews.LedgerView keep(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody LedgerEntry entry) {
        OpenSet set = set(caller, setId);
        if (!entry.instrument.isEmpty()) {
            instruments.require(caller.shopId(), entry.instrument);
        }
        try {
            evidence.keep(
                    caller,
                    setId.toString(),
                    entry.id.toString(),
                    understood(set, entry.text, entry.part, entry.placing, entry.instrument),
                    Optional.ofNullable(entry.takenAt));
        } catch (InvalidEntry refused) {
            throw refused.at("text");
        }
        return ledger(caller, setId);
    }

    /** Decides what happens to a part. */
    @PostMapping("/decisions")
    LedgerViews.LedgerView decide(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ChoiceEdit edit) {
        OpenSet set = set(caller, setId);
        PartRow row = PartsLedger.rows(set.file()).stream()
                .filter(r -> r.reference().equals(edit.part))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This part"));
        if (edit.choice == PartDecided.Choice.KEEP && row.grave() && edit.reason.isBlank()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.EMPTY,
                            row.called()
                                    + " failed where it takes others with it. Say why it stays; it is shown at hand-over.")
                    .at("reason");
        }
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new PartDecided(row.reference(), edit.choice, edit.reason.strip()),
                Optional.empty());
        return ledger(caller, setId);
    }

    /** What is left to do, in order. */
    @GetMapping("/work")
    LedgerViews.WorkView work(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return LedgerViews.work(set(caller, setId));
    }

    /** Says what a part lies under. */
    @PostMapping("/covers")
    LedgerViews.WorkView cover(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CoverEdit edit) {
        OpenSet set = set(caller, setId);
        if (set.set().part(edit.part).isEmpty()
                || !edit.by.isEmpty() && set.set().part(edit.by).isEmpty()) {
            throw Problem.notFound("This part");
        }
        if (edit.part.equals(edit.by)) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "A part does not lie under itself.").at("by");
        }
        evidence.keep(
                caller, setId.toString(), edit.id.toString(), new PartCovered(edit.part, edit.by), Optional.empty());
        return work(caller, setId);
    }

    /** Says what is not as it will be when the set leaves. */
    @PostMapping("/for-now")
    LedgerViews.WorkView forNow(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ForNowEdit edit) {
        OpenSet set = set(caller, setId);
        String part = PartsLedger.rows(set.file()).stream()
                .filter(row -> row.reference().equals(edit.part) || row.called().equalsIgnoreCase(edit.part.strip()))
                .map(PartRow::called)
                .findFirst()
                // A set without a circuit has its parts by what people call them.
                .or(() -> Optional.of(edit.part.strip())
                        .filter(typed -> set.set().parts().isEmpty()))
                .orElseThrow(() -> Problem.notFound("This part"));
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new ForNow(edit.way, part, edit.note.strip()),
                Optional.empty());
        return work(caller, setId);
    }

    /** What was so for now is put right. */
    @PostMapping("/for-now/{entry}/put-right")
    LedgerViews.WorkView putRight(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID entry,
            @Valid @RequestBody PutRight edit) {
        ForNow there = ForNow.open(set(caller, setId).log()).stream()
                .filter(one -> one.id().equals(entry.toString()))
                .map(EvidenceLog.Standing::fact)
                .findFirst()
                .orElse(null);
        if (there != null) {
            evidence.keep(
                    caller,
                    setId.toString(),
                    edit.id.toString(),
                    new ForNowEnded(
                            entry.toString(), there.part(), there.way().undo().toLowerCase(Locale.ROOT) + ": done"),
                    Optional.empty());
        }
        return work(caller, setId);
    }

    private static Fact understood(OpenSet set, String text, String part, Placing placing, String instrument) {
        return PartsArea.entry(set.file(), set.policy().decimalSign(), instrument)
                .read(text, part, placing);
    }

    private OpenSet set(Caller caller, UUID setId) {
        return files.open(caller.shopId(), setId.toString());
    }
}
