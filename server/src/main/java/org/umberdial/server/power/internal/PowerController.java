package org.umberdial.server.power.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.area.Stop;
import org.umberdial.core.caution.Caution;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Decided;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.PowerChecked;
import org.umberdial.core.evidence.PowerReady;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.FirstCheck;
import org.umberdial.core.power.FirstChecks;
import org.umberdial.core.power.PowerArea;
import org.umberdial.core.power.ReadyCheck;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** First power of a set: what stands before it, and the checks while it is limited. */
@RestController
@RequestMapping("/api/sets/{setId}/power")
class PowerController {
    record AnswerChoice(String id, String words, boolean opens) {}

    /** @param act id of the act that settles it; empty when a person answers */
    record ReadyView(
            String id,
            String title,
            ReadyCheck.State state,
            String stateLabel,
            String says,
            List<AnswerChoice> choices,
            boolean everyRun,
            String act,
            boolean passable) {}

    record CheckCell(String key, String label, String unit, String expected, List<String> choices, String value) {}

    /** @param says what its figures say; empty while it was not made */
    record CheckView(String id, String title, String how, List<CheckCell> cells, Verdict verdict, String says) {}

    record PowerCaution(String text, Caution.Level level, String deferTo) {}

    /**
     * @param unsettled how many things stand before power
     * @param way the school it is brought up by, {@code ways} all of them
     */
    record PowerView(
            int revision,
            String title,
            String danger,
            boolean liveChassis,
            String constructionLabel,
            String standing,
            int unsettled,
            PowerPlanController.PowerWayView way,
            List<PowerPlanController.PowerWayView> ways,
            List<ReadyView> ready,
            List<CheckView> checks,
            List<PowerCaution> cautions) {}

    record ReadyAnswer(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String gate,
            @NotBlank @Size(max = 40) String answer,
            @NotNull @Size(max = 400) String reason) {}

    record CheckEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String check,
            @NotNull @Size(max = 60) Map<String, String> cells,
            @NotNull @Size(max = 400) String note) {}

    record CheckJudged(Verdict verdict, String says) {}

    private final SetFiles files;
    private final EvidenceService evidence;

    PowerController(SetFiles files, EvidenceService evidence) {
        this.files = files;
        this.evidence = evidence;
    }

    @GetMapping
    PowerView power(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        List<ReadyCheck> ready = PowerArea.checks(set.file());
        return new PowerView(
                set.revision(),
                set.stored().label().title(),
                set.danger(),
                set.liveChassis(),
                set.set().construction().label(),
                new PowerArea().standing(set.file()),
                (int) ready.stream().filter(check -> !check.state().lets()).count(),
                PowerPlanController.way(set.policy().schools().of(School.Question.FIRST_POWER)),
                School.Question.FIRST_POWER.schools().stream()
                        .map(PowerPlanController::way)
                        .toList(),
                ready.stream().map(PowerController::view).toList(),
                checks(set),
                List.of("first_power", "lamp_limiter", "working_alone").stream()
                        .map(Cautions::of)
                        .map(c -> new PowerCaution(c.text(), c.level(), c.deferTo()))
                        .toList());
    }

    private static ReadyView view(ReadyCheck check) {
        return new ReadyView(
                check.id(),
                check.title(),
                check.state(),
                check.state().label(),
                check.says(),
                check.choices().stream()
                        .map(c -> new AnswerChoice(c.id(), c.words(), c.opens()))
                        .toList(),
                check.everyRun(),
                check.act(),
                check.passable());
    }

    private static List<CheckView> checks(OpenSet set) {
        Map<String, FirstCheck.Judged> judged = FirstChecks.judged(set.file());
        Map<String, PowerChecked> made = new HashMap<>();
        set.log().standing(PowerChecked.class).forEach(s -> made.put(s.fact().check(), s.fact()));
        return FirstChecks.of(set.file()).stream()
                .map(check -> new CheckView(
                        check.id(),
                        check.title(),
                        check.how(),
                        check.cells().stream()
                                .map(cell -> new CheckCell(
                                        cell.key(),
                                        cell.label(),
                                        cell.choices().isEmpty() ? cell.unit().symbol() : "",
                                        cell.expected(),
                                        cell.choices(),
                                        value(made.get(check.id()), cell)))
                                .toList(),
                        judged.containsKey(check.id()) ? judged.get(check.id()).verdict() : Verdict.UNREAD,
                        judged.containsKey(check.id()) ? judged.get(check.id()).says() : ""))
                .toList();
    }

    private static String value(PowerChecked made, FirstCheck.Cell cell) {
        if (made == null) {
            return "";
        }
        return cell.choices().isEmpty()
                ? Optional.ofNullable(made.figures().get(cell.key()))
                        .map(Engineering::exact)
                        .orElse("")
                : made.answers().getOrDefault(cell.key(), "");
    }

    @PostMapping("/answers")
    PowerView answer(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ReadyAnswer edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        ReadyCheck check = PowerArea.checks(set.file()).stream()
                .filter(c -> c.id().equals(edit.gate))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This question"));
        boolean passes = edit.answer.equals(PowerReady.OVERRIDE);
        if (passes && edit.reason.isBlank()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.EMPTY,
                            "Write why one may go on without it; the reason stays in the log and in the report.")
                    .at("reason");
        }
        if (passes && !check.passable()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.CONFLICT, "This is wrong, not only unread: mend it and read it again.")
                    .at("answer");
        }
        String words = passes
                ? check.title()
                : check.choices().stream()
                        .filter(c -> c.id().equals(edit.answer))
                        .findFirst()
                        .map(c -> check.title() + ", " + c.words())
                        .orElseThrow(() -> new InvalidEntry(
                                        InvalidEntry.Code.UNKNOWN, "“" + edit.answer + "” is no answer to this.")
                                .at("answer"));
        // What another area holds against power is passed over there, so that its own pages say so too.
        Optional<Stop> others = Guide.of(set.file()).stops().stream()
                .filter(stop -> stop.id().equals(check.id()))
                .findFirst();
        Fact fact = others.isPresent()
                ? new Decided(others.get().id(), others.get().words(), edit.reason.strip())
                : new PowerReady(check.id(), edit.answer, words, passes ? edit.reason.strip() : "");
        evidence.keep(caller, set.id(), edit.id.toString(), fact, Optional.empty());
        return power(caller, setId);
    }

    @PostMapping("/checks")
    PowerView keep(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CheckEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        PowerChecked made = made(set, edit);
        if (made.figures().isEmpty() && made.answers().isEmpty()) {
            throw new InvalidEntry(InvalidEntry.Code.EMPTY, "Enter at least one figure, then keep it.").at("cells");
        }
        evidence.keep(caller, set.id(), edit.id.toString(), made, Optional.empty());
        return power(caller, setId);
    }

    /** What figures would say, without keeping them. */
    @PostMapping("/check-previews")
    CheckJudged judge(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CheckEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        FirstCheck.Judged judged = FirstChecks.judge(set.file(), made(set, edit));
        return new CheckJudged(judged.verdict(), judged.says());
    }

    private PowerChecked made(OpenSet set, CheckEdit edit) {
        FirstCheck check = FirstChecks.of(set.file()).stream()
                .filter(c -> c.id().equals(edit.check))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This check"));
        Map<String, Double> figures = new HashMap<>();
        Map<String, String> answers = new HashMap<>();
        for (FirstCheck.Cell cell : check.cells()) {
            String typed =
                    Optional.ofNullable(edit.cells.get(cell.key())).orElse("").strip();
            if (typed.isEmpty()) {
                continue;
            }
            if (!cell.choices().isEmpty()) {
                if (!cell.choices().contains(typed)) {
                    throw new InvalidEntry(
                                    InvalidEntry.Code.UNKNOWN,
                                    "“" + typed + "” is none of: " + String.join(", ", cell.choices()) + ".")
                            .at("cells");
                }
                answers.put(cell.key(), typed);
            } else {
                figures.put(cell.key(), figure(set, cell, typed));
            }
        }
        return new PowerChecked(check.id(), figures, answers, edit.note.strip());
    }

    private static double figure(OpenSet set, FirstCheck.Cell cell, String typed) {
        double value;
        try {
            value = new ValueReader(set.policy().decimalSign())
                    .read(typed, cell.unit())
                    .value();
        } catch (InvalidEntry refused) {
            throw new InvalidEntry(refused.code(), cell.label() + ": " + refused.getMessage()).at("cells");
        }
        boolean ohms = cell.unit() == Unit.OHM;
        if (!(Math.abs(value) <= (ohms ? 1e7 : 2000)) || ohms && value < 100) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            cell.label() + ": " + typed
                                    + (ohms
                                            ? " is no resistor for this; 1.5k is usual."
                                            : " is more than a set has; check the figure."))
                    .at("cells");
        }
        return value;
    }
}
