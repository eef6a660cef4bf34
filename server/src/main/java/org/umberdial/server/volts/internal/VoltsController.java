package org.umberdial.server.volts.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.area.Bench;
import org.umberdial.core.area.Gate;
import org.umberdial.core.caution.Caution;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.cold.Charge;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.PartOhms;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.entry.Entry;
import org.umberdial.core.entry.EntryGrammar;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.volts.Branch;
import org.umberdial.core.volts.Finding;
import org.umberdial.core.volts.LiftTest;
import org.umberdial.core.volts.MeterReach;
import org.umberdial.core.volts.Plausibility;
import org.umberdial.core.volts.PointVerdict;
import org.umberdial.core.volts.StageCurrent;
import org.umberdial.core.volts.Staircase;
import org.umberdial.core.volts.Suspect;
import org.umberdial.core.volts.VoltsArea;
import org.umberdial.core.volts.VoltsJudge;
import org.umberdial.core.volts.VoltsReport;
import org.umberdial.server.evidence.ReadingService;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.StoredSet;

/** The Volts screen: what should stand where, what was read, what it says, and what to do next. */
@RestController
@RequestMapping("/api/sets/{setId}")
class VoltsController {
    record ConditionsView(
            double lineVolts,
            @Schema(nullable = true) String instrumentId,
            String meter,
            String mode,
            List<String> modes,
            @Schema(nullable = true) Instant switchedOnAt,
            @Schema(nullable = true) Double sheetLineVolts) {}

    record ReadingView(
            String id,
            double value,
            String text,
            double lineVolts,
            String meter,
            @Schema(nullable = true) Double minutesOn,
            Instant takenAt,
            String author) {}

    record PointView(
            String node,
            String name,
            String hint,
            ReadingKind kind,
            @Schema(nullable = true) Double expected,
            String expectedText,
            String bandText,
            double band,
            Verdict verdict,
            String reason,
            List<String> arithmetic,
            @Schema(nullable = true) ReadingView reading) {}

    record BranchView(
            String part,
            String description,
            String ohms,
            String from,
            String to,
            String fromName,
            String toName,
            String volts,
            String amperes,
            String watts,
            String rated,
            boolean strained) {}

    record SuspectView(
            String part,
            String failure,
            String severity,
            String reason,
            int oddsPercent,
            Suspect.Standing standing,
            String confirm,
            String tells) {}

    record FindingView(String node, String point, String text, boolean urgent, List<SuspectView> suspects) {}

    record CautionView(String id, String when, String text, Caution.Level level, String deferTo) {}

    /**
     * @param through the resistor it was found by
     * @param over whether the plate gets more than it is made for
     */
    record StageCurrentView(
            String tube,
            String through,
            String amperes,
            boolean withScreen,
            String healthy,
            String watts,
            String limit,
            boolean over) {}

    /**
     * @param comesTo what all readings together come to, a sentence; empty when nothing is off
     * @param underway whether the faults of the circuit are still being solved: suspects follow, ask again
     */
    record VoltsView(
            String setId,
            int revision,
            String title,
            String ticket,
            String place,
            String construction,
            String danger,
            boolean liveChassis,
            ConditionsView conditions,
            List<PointView> points,
            Staircase staircase,
            List<BranchView> branches,
            List<StageCurrentView> stages,
            List<String> cures,
            List<FindingView> findings,
            String comesTo,
            boolean underway,
            @Schema(nullable = true) ActView next,
            String barred,
            String meterReach,
            List<CautionView> cautions,
            @Schema(nullable = true) ReadingView last,
            String lastName) {}

    /** What is in the entry strip; {@code node} is the point an entry without a name is for, empty for none. */
    record Typed(
            @NotNull @Size(max = 200) String text, @NotNull String node) {}

    record PreviewView(
            String subject,
            String name,
            String value,
            Verdict verdict,
            String reason,
            boolean part,
            @Schema(nullable = true) String question) {}

    /** An entry to keep; {@code confirmed} answers the question that was asked about it. */
    record NewReading(
            @NotNull UUID id,
            @NotNull @Size(max = 200) String text,
            @NotNull String node,
            boolean confirmed,
            @Schema(nullable = true) Instant takenAt,
            @Size(max = 500) String note) {}

    private static final double UNREADABLE = 100;

    private final SetFiles files;
    private final ReadingService readings;

    VoltsController(SetFiles files, ReadingService readings) {
        this.files = files;
        this.readings = readings;
    }

    @GetMapping("/volts")
    VoltsView volts(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        return set.file().once(VoltsView.class, () -> view(set));
    }

    @PostMapping("/reading-previews")
    PreviewView preview(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody Typed typed) {
        OpenSet open = files.open(caller.shopId(), setId.toString());
        StoredSet set = open.stored();
        Bench bench = open.file().contents().bench();
        HousePolicy policy = open.policy();
        Entry entry = understood(open, typed.text, typed.node);
        String value = Engineering.print(entry.value(), entry.kind().unit());
        String question = Plausibility.question(set.set(), entry, bench).orElse(null);
        if (entry.kind() == ReadingKind.OHMS && ColdArea.bench(open.file()).charge() == Charge.State.THERE) {
            return new PreviewView(
                    entry.subject(),
                    entry.partOhms() ? entry.subject() : set.set().nameOf(entry.subject()),
                    value,
                    Verdict.NO_EXPECTATION,
                    Charge.refusal(policy.safeVolts()),
                    entry.partOhms(),
                    question);
        }
        if (entry.partOhms()) {
            PartOhms judged = PartOhms.of(
                    ColdArea.scene(open.file()),
                    entry.subject(),
                    entry.value(),
                    !entry.lifted().isEmpty());
            return new PreviewView(
                    entry.subject(), entry.subject(), value, judged.verdict(), judged.reason(), true, question);
        }
        Reading reading = readings.reading(UUID.randomUUID().toString(), entry, set, bench, Optional.empty());
        VoltsReport report = VoltsJudge.judge(
                set.set(),
                open.log().readings().and(List.of(reading)),
                policy,
                bench,
                VoltsArea.background(open.file(), open.file().ledger()),
                // What is being typed is judged by itself; suspects wait until it is kept.
                AtlasSource.NONE);
        PointVerdict verdict = report.points().stream()
                .filter(p -> p.point().node().equals(entry.subject()))
                .findFirst()
                .orElseThrow();
        boolean judged = entry.kind() == set.set().usualKind(entry.subject())
                && entry.lifted().isEmpty();
        String otherwise = Metered.of(reading).otherwise();
        String lifted = otherwise.isEmpty() ? "" : " with " + otherwise;
        String against = entry.reference().equals("0") ? "" : " to " + set.set().nameOf(entry.reference());
        return new PreviewView(
                entry.subject(),
                set.set().nameOf(entry.subject()) + against,
                value + " " + entry.kind().label() + lifted,
                judged ? verdict.verdict() : Verdict.NO_EXPECTATION,
                judged
                        ? verdict.reason()
                        : entry.lifted().isEmpty()
                                ? "Kept in the log; the sheet has no such figure here to judge it by."
                                : evidence(report, entry),
                false,
                question);
    }

    /** What a reading with a part lifted would say of that part. */
    private static String evidence(VoltsReport report, Entry entry) {
        Optional<LiftTest> lift = report.lifts().stream()
                .filter(test ->
                        test.node().equals(entry.subject()) && test.part().equalsIgnoreCase(entry.lifted()))
                .findFirst();
        return lift.map(test -> switch (test.standing()) {
                    case PROVEN ->
                        "With " + test.part() + " lifted this point is right: that proves " + test.part() + " leaky.";
                    case CLEARED ->
                        "As wrong as before with " + test.part() + " lifted: that clears " + test.part() + ".";
                    case OPEN -> "Better, but not right: " + test.part() + " may be part of it, not all.";
                })
                .orElse(
                        entry.lifted().contains(" ")
                                ? "Kept in the log; nothing is expected of the set as it is for now."
                                : "Kept as evidence about " + entry.lifted() + ".");
    }

    @PostMapping("/readings")
    VoltsView keep(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody NewReading typed) {
        OpenSet open = files.open(caller.shopId(), setId.toString());
        StoredSet set = open.stored();
        Bench bench = open.file().contents().bench();
        Entry entry = understood(open, typed.text, typed.node);
        Optional<String> question = typed.confirmed ? Optional.empty() : Plausibility.question(set.set(), entry, bench);
        if (question.isPresent()) {
            throw new Problem(
                    Problem.Kind.ASK_FIRST,
                    question.get(),
                    List.of(new Problem.Fault("#/text", "implausible", question.get())));
        }
        readings.keep(
                caller,
                set.id(),
                readings.reading(typed.id.toString(), entry, set, bench, Optional.ofNullable(typed.takenAt)),
                "entry strip",
                typed.note == null ? "" : typed.note);
        return volts(caller, setId);
    }

    /** As typed; voltages of a set that is not whole just now say so. */
    private static Entry understood(OpenSet open, String text, String node) {
        Optional<TestPoint> current = open.set().pointAt(node);
        try {
            Entry entry = new EntryGrammar(open.set(), open.policy().decimalSign()).read(text, current);
            return entry.partOhms() || !entry.lifted().isEmpty() ? entry : entry.with(ForNow.disturbing(open.log()));
        } catch (InvalidEntry refused) {
            throw refused.at("text");
        }
    }

    private static VoltsView view(OpenSet open) {
        StoredSet set = open.stored();
        Bench bench = open.file().contents().bench();
        ReadingLog log = open.log().readings();
        VoltsReport report = VoltsArea.report(open.file());
        Guide guide = Guide.of(open.file());
        StoredSet.Conditions c = set.conditions();
        Double sheetLine = set.set().sheet().stream()
                .map(value -> value.lineVolts())
                .findFirst()
                .orElse(null);
        ConditionsView conditions = new ConditionsView(
                c.lineVolts(),
                c.instrumentId().orElse(null),
                bench.meter().map(Meter::notation).orElse(""),
                c.mode(),
                set.set().modes(),
                c.switchedOnAt().orElse(null),
                sheetLine);
        Optional<Reading> last = log.standing().stream().reduce((a, b) -> b);
        return new VoltsView(
                set.id(),
                open.revision(),
                set.label().title(),
                set.label().ticket(),
                set.label().place(),
                set.set().construction().label(),
                open.danger(),
                open.liveChassis(),
                conditions,
                report.points().stream().map(p -> point(set, p)).toList(),
                report.staircase(),
                report.branches().stream().map(b -> branch(set, b)).toList(),
                report.stages().stream().map(VoltsController::stage).toList(),
                report.cures().stream()
                        .map(cure -> cure.says(set.set().nameOf(cure.node())))
                        .toList(),
                report.findings().stream().map(f -> finding(set, f)).toList(),
                report.comesTo(),
                report.underway(),
                ActView.next(open).orElse(null),
                guide.open(Gate.POWER) ? "" : guide.stops(Gate.POWER).get(0).words(),
                MeterReach.caution(set.set(), report, bench).orElse(""),
                Cautions.underPower(set.set().construction()).stream()
                        .map(k -> new CautionView(k.id(), k.when(), k.text(), k.level(), k.deferTo()))
                        .toList(),
                last.map(VoltsController::reading).orElse(null),
                last.map(r -> r.kind() == ReadingKind.OHMS
                                ? r.subject()
                                : set.set().nameOf(r.subject()))
                        .orElse(""));
    }

    private static PointView point(StoredSet set, PointVerdict p) {
        Double expected = p.expected().isPresent() ? p.expected().getAsDouble() : null;
        return new PointView(
                p.point().node(),
                p.point().name(),
                p.point().hint(),
                set.set().usualKind(p.point().node()),
                expected,
                expected == null ? "" : expectedText(expected, p.band()),
                expected == null ? "" : Engineering.digits(BigDecimal.valueOf(p.band()), 2) + " V",
                p.band(),
                p.verdict(),
                p.reason(),
                p.arithmetic(),
                p.reading().map(VoltsController::reading).orElse(null));
    }

    /** A hundredth of the band cannot be read on any meter: what the engine leaves there is nothing. */
    private static String expectedText(double expected, double band) {
        return Engineering.print(Math.abs(expected) < band / UNREADABLE ? 0 : expected, Unit.VOLT);
    }

    private static ReadingView reading(Reading r) {
        return new ReadingView(
                r.id(),
                r.value(),
                Engineering.print(r.value(), r.kind().unit()),
                r.lineVolts(),
                r.meter().map(Meter::notation).orElse(""),
                r.minutesOn().isPresent() ? r.minutesOn().getAsDouble() : null,
                r.takenAt(),
                "");
    }

    private static BranchView branch(StoredSet set, Branch b) {
        String description =
                set.set().part(b.part()).map(part -> part.description()).orElse("");
        return new BranchView(
                b.part(),
                description,
                Engineering.print(b.ohms(), Unit.OHM),
                b.from(),
                b.to(),
                set.set().nameOf(b.from()),
                set.set().nameOf(b.to()),
                Engineering.print(b.volts(), Unit.VOLT),
                Engineering.print(b.amperes(), Unit.AMPERE),
                Engineering.print(b.watts(), Unit.WATT),
                b.ratedWatts() > 0 ? Engineering.print(b.ratedWatts(), Unit.WATT) : "",
                b.strained());
    }

    private static StageCurrentView stage(StageCurrent s) {
        return new StageCurrentView(
                Card.tube(s.part()),
                s.through(),
                Engineering.print(s.amperes(), Unit.AMPERE),
                s.withScreen(),
                printed(s.healthy(), Unit.AMPERE),
                printed(s.watts(), Unit.WATT),
                printed(s.limit(), Unit.WATT),
                s.over());
    }

    private static String printed(OptionalDouble value, Unit unit) {
        return value.isPresent() ? Engineering.print(value.getAsDouble(), unit) : "";
    }

    private static FindingView finding(StoredSet set, Finding f) {
        return new FindingView(
                f.node(),
                set.set().nameOf(f.node()),
                f.text(),
                f.urgent(),
                f.suspects().stream().map(s -> suspect(set, s)).toList());
    }

    private static SuspectView suspect(StoredSet set, Suspect s) {
        String severity =
                s.severity().isPresent() ? Engineering.round(s.severity().getAsDouble(), s.unit()) : "";
        return new SuspectView(
                s.part(),
                s.failure(),
                severity,
                s.reason(),
                (int) Math.round(100 * s.odds()),
                s.standing(),
                s.confirm(),
                s.tells());
    }
}
