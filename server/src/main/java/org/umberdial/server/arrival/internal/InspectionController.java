package org.umberdial.server.arrival.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.arrival.ArrivalArea;
import org.umberdial.core.arrival.Complaints;
import org.umberdial.core.arrival.Inspection;
import org.umberdial.core.arrival.InspectionRow;
import org.umberdial.core.arrival.Severity;
import org.umberdial.core.arrival.SymptomMatcher;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.Control;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.TaskDone;
import org.umberdial.core.evidence.Told;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.SetFiles;

/** The inspection walk and what the owner says. */
@RestController
@RequestMapping("/api")
class InspectionController {
    record RowView(
            String id,
            String lookFor,
            String means,
            Severity severity,
            String followUp,
            boolean test,
            @Schema(nullable = true) String caution) {}

    record SeenFinding(
            String id,
            String row,
            String area,
            String found,
            String means,
            Severity severity,
            String part,
            String note,
            String followUp,
            @Schema(nullable = true) String done,
            @Schema(nullable = true) String caution,
            @Schema(nullable = true) RegisterController.SpotView spot) {}

    record AreaView(String name, boolean looked, boolean fine, List<RowView> rows, List<SeenFinding> found) {}

    record InspectionView(List<AreaView> areas, List<SeenFinding> tasks, int looked, int stops) {}

    record LookEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String area,
            @NotNull @Size(max = 120) String row,
            @NotNull @Size(max = 60) String part,
            @NotNull @Size(max = 300) String note,
            @Schema(nullable = true) @Valid RegisterController.SpotEdit spot,
            @Schema(nullable = true) Instant takenAt) {}

    record DoneEdit(
            @NotNull UUID id,
            @NotNull UUID entry,
            @NotNull @Size(max = 300) String note) {}

    record SymptomView(String id, String words, String firstAsk, List<String> dangers, String act) {}

    record ControlKindView(Control id, String label) {}

    record HeardView(
            String id,
            String words,
            boolean byOwner,
            @Schema(nullable = true) SymptomView symptom,
            List<String> tests) {}

    record ComplaintsView(List<HeardView> told, List<String> questions) {}

    record ToldEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 120) String symptom,
            @NotNull @Size(max = 500) String words,
            boolean byOwner,
            @Schema(nullable = true) Instant takenAt) {}

    private static final int MOST_MATCHES = 9;

    private final EvidenceService journal;
    private final SetFiles files;

    InspectionController(EvidenceService journal, SetFiles files) {
        this.journal = journal;
        this.files = files;
    }

    @GetMapping("/sets/{setId}/inspection")
    InspectionView inspection(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        Inspection walk = walk(caller, setId);
        return new InspectionView(
                walk.areas().stream().map(InspectionController::view).toList(),
                walk.findings().stream().map(InspectionController::view).toList(),
                (int) walk.areas().stream().filter(Inspection.Area::looked).count(),
                walk.stops().size());
    }

    /** An area is fine, or one of its rows was found. */
    @PostMapping("/sets/{setId}/looks")
    InspectionView look(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody LookEdit edit) {
        Inspection.Area area = walk(caller, setId).areas().stream()
                .filter(a -> a.name().equals(edit.area))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("The area “" + edit.area + "”"));
        if (!edit.part.isBlank()
                && files.open(caller.shopId(), setId.toString())
                        .set()
                        .part(edit.part.strip())
                        .isEmpty()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "There is no part " + edit.part.strip().toUpperCase(java.util.Locale.ROOT)
                                    + " in this set; enter the part first, or write it into the note.")
                    .at("part");
        }
        String found = "";
        if (!edit.row.isEmpty()) {
            found = area.rows().stream()
                    .filter(row -> row.id().equals(edit.row))
                    .findFirst()
                    .orElseThrow(() -> Problem.notFound("This finding"))
                    .lookFor();
        } else if (!area.found().isEmpty()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.CONFLICT,
                            "The " + area.name() + " has a finding already; take it back before calling the area fine.")
                    .at("row");
        }
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Looked(
                        edit.area,
                        edit.row,
                        found,
                        edit.part.strip().toUpperCase(java.util.Locale.ROOT),
                        edit.note.strip(),
                        RegisterController.spot(edit.spot)),
                Optional.ofNullable(edit.takenAt));
        return inspection(caller, setId);
    }

    @PostMapping("/sets/{setId}/tasks-done")
    InspectionView done(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody DoneEdit edit) {
        Inspection.Finding finding = walk(caller, setId).findings().stream()
                .filter(f -> f.id().equals(edit.entry.toString()))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This finding"));
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new TaskDone(finding.id(), finding.row().followUp(), edit.note.strip()),
                Optional.empty());
        return inspection(caller, setId);
    }

    @GetMapping("/symptoms")
    List<SymptomView> symptoms() {
        return Symptom.all().stream().map(InspectionController::view).toList();
    }

    /** The symptoms an owner's own words may mean, the best first; all of them while nothing is said. */
    @GetMapping("/symptom-matches")
    List<SymptomView> matches(@RequestParam(defaultValue = "") @Size(max = 500) String words) {
        return words.isBlank()
                ? symptoms()
                : SymptomMatcher.match(words).stream()
                        .limit(MOST_MATCHES)
                        .map(match -> view(match.symptom()))
                        .toList();
    }

    @GetMapping("/control-kinds")
    List<ControlKindView> controlKinds() {
        return Arrays.stream(Control.values())
                .map(control -> new ControlKindView(control, control.label()))
                .toList();
    }

    @GetMapping("/sets/{setId}/complaints")
    ComplaintsView complaints(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        Complaints complaints = ArrivalArea.state(
                        files.open(caller.shopId(), setId.toString()).file())
                .complaints();
        return new ComplaintsView(
                complaints.told().stream()
                        .map(heard -> new HeardView(
                                heard.id(),
                                heard.told().words(),
                                heard.told().byOwner(),
                                heard.symptom().map(InspectionController::view).orElse(null),
                                heard.symptom().map(Symptom::tests).orElse(List.of())))
                        .toList(),
                complaints.questions());
    }

    @PostMapping("/sets/{setId}/complaints")
    ComplaintsView tell(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ToldEdit edit) {
        Optional<Symptom> symptom = edit.symptom.isEmpty()
                ? Optional.empty()
                : Optional.of(Symptom.of(edit.symptom).orElseThrow(() -> Problem.notFound("This symptom")));
        String words = edit.words.isBlank() ? symptom.map(Symptom::words).orElse("") : edit.words.strip();
        if (words.isEmpty()) {
            throw new InvalidEntry(InvalidEntry.Code.EMPTY, "Write what was said, word for word, or choose a symptom.")
                    .at("words");
        }
        journal.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Told(edit.symptom, words, edit.byOwner),
                Optional.ofNullable(edit.takenAt));
        return complaints(caller, setId);
    }

    private Inspection walk(Caller caller, UUID setId) {
        return ArrivalArea.state(files.open(caller.shopId(), setId.toString()).file())
                .inspection();
    }

    private static AreaView view(Inspection.Area area) {
        return new AreaView(
                area.name(),
                area.looked(),
                area.fine(),
                area.rows().stream().map(InspectionController::view).toList(),
                area.found().stream().map(InspectionController::view).toList());
    }

    private static RowView view(InspectionRow row) {
        return new RowView(
                row.id(), row.lookFor(), row.means(), row.severity(), row.followUp(), row.isTest(), caution(row));
    }

    private static SeenFinding view(Inspection.Finding finding) {
        InspectionRow row = finding.row();
        return new SeenFinding(
                finding.id(),
                row.id(),
                row.area(),
                row.lookFor(),
                row.means(),
                row.severity(),
                finding.looked().part(),
                finding.looked().note(),
                row.followUp(),
                finding.done().orElse(null),
                caution(row),
                finding.looked().spot().map(RegisterController::view).orElse(null));
    }

    private static String caution(InspectionRow row) {
        return row.caution().isEmpty() ? null : Cautions.of(row.caution()).text();
    }

    private static SymptomView view(Symptom symptom) {
        return new SymptomView(symptom.id(), symptom.words(), symptom.firstAsk(), symptom.dangers(), symptom.act());
    }
}
