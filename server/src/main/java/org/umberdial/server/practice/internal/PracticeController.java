package org.umberdial.server.practice.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.Effort;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.practice.Hindsight;
import org.umberdial.core.practice.Level;
import org.umberdial.core.practice.Practice;
import org.umberdial.core.practice.PracticeSet;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.TestPoint;
import org.umberdial.server.circuit.DrawnCircuit;
import org.umberdial.server.practice.KeptPractice;
import org.umberdial.server.practice.PracticeService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;

/** Practice at invented sets. */
@RestController
@RequestMapping("/api/practice")
class PracticeController {
    record PracticeLevelView(Level id, String label, String says) {}

    /** @param score 0 to 100; null while it is not known, or when it was given up */
    record PracticeSummaryView(
            String id,
            long number,
            String title,
            Level level,
            String levelLabel,
            String author,
            Instant begunAt,
            boolean over,
            boolean gaveUp,
            double minutes,
            @Schema(nullable = true) Integer score) {}

    record PracticesView(List<PracticeLevelView> levels, List<PracticeSummaryView> practices) {}

    /** @param read what was read there, by kind of reading; empty when it was not */
    record PracticePointView(
            String node, String name, String hint, String healthy, String volts, String ohms, String ripple) {}

    /** What holding the meter to a point costs [min]. */
    record ReadingCostView(Spot.Kind kind, double minutes) {}

    record PracticePartView(String part, String role, double minutes, boolean named) {}

    /** @param result what it showed */
    record PracticeMoveView(String says, String result, double minutes) {}

    /**
     * @param smell what a nose notices while it runs; empty when nothing
     * @param answer what was wrong; empty while it is not over
     */
    record PracticeView(
            String id,
            long number,
            String title,
            Level level,
            String levelLabel,
            String line,
            List<ReadingCostView> costs,
            List<PracticePointView> points,
            List<PracticePartView> parts,
            List<PracticeMoveView> moves,
            double minutes,
            double burningMinutes,
            int wrong,
            int found,
            String smell,
            boolean over,
            boolean gaveUp,
            List<String> answer,
            @Schema(nullable = true) Integer score) {}

    /** What one does at the bench. */
    enum Doing {
        READ,
        TEST,
        NAME,
        SOUND,
        GIVE_UP
    }

    record NewPractice(
            @NotNull UUID id,
            @NotNull Level level,

            @Schema(nullable = true) @Min(1) @Max(999_999_999)
            Long number) {}

    /**
     * @param node to be read, {@code what} there
     * @param part to be tested or named
     */
    record PracticeMoveEdit(
            @NotNull UUID id,
            @NotNull Doing doing,
            @NotNull @Size(max = 60) String node,
            @Schema(nullable = true) Spot.Kind what,
            @NotNull @Size(max = 40) String part) {}

    record PracticeLeadingView(String says, int percent) {}

    /** @param better what would have told most for its minutes; empty when it was that */
    record HindsightStepView(
            String says,
            String result,
            double minutes,
            double bits,
            String better,
            double betterBits,
            List<PracticeLeadingView> leading,
            int soundPercent) {}

    /**
     * @param underway whether it is still being worked out: ask again
     * @param bestMinutes what the best way took, burning minutes twice; null when it did not get there
     */
    record HindsightView(
            boolean underway,
            List<HindsightStepView> gone,
            List<HindsightStepView> best,
            @Schema(nullable = true) Double bestMinutes,
            @Schema(nullable = true) Integer score) {}

    private final PracticeService practices;
    private final ShopService shops;

    PracticeController(PracticeService practices, ShopService shops) {
        this.practices = practices;
        this.shops = shops;
    }

    @GetMapping
    PracticesView practices(@AuthenticationPrincipal Caller caller) {
        return new PracticesView(
                Arrays.stream(Level.values())
                        .map(level -> new PracticeLevelView(level, level.label(), level.says()))
                        .toList(),
                practices.latest(caller.shopId()).stream()
                        .map(kept -> new PracticeSummaryView(
                                kept.id(),
                                kept.number(),
                                kept.practice().set().title(),
                                kept.level(),
                                kept.level().label(),
                                kept.author(),
                                kept.begunAt(),
                                kept.practice().over(),
                                kept.practice().gaveUp(),
                                kept.practice().minutes(),
                                score(kept, kept.bestMinutes())))
                        .toList());
    }

    private static Integer score(KeptPractice kept, Optional<Double> best) {
        return best.flatMap(minutes -> kept.practice().score(minutes)).orElse(null);
    }

    @PostMapping
    PracticeView begin(@AuthenticationPrincipal Caller caller, @Valid @RequestBody NewPractice begun) {
        KeptPractice kept =
                practices.begin(caller, begun.id.toString(), begun.level, Optional.ofNullable(begun.number));
        practices.prepare(kept);
        return view(kept);
    }

    @GetMapping("/{practiceId}")
    PracticeView practice(@AuthenticationPrincipal Caller caller, @PathVariable UUID practiceId) {
        return view(practices.practice(caller.shopId(), practiceId.toString()));
    }

    /** Its circuit, which stays the same whatever is done. */
    @GetMapping("/{practiceId}/drawing")
    DrawnCircuit.DrawingView drawing(@AuthenticationPrincipal Caller caller, @PathVariable UUID practiceId) {
        PracticeSet set = practices
                .practice(caller.shopId(), practiceId.toString())
                .practice()
                .set();
        boolean iec = shops.shop(caller.shopId()).policy().vocabulary() != Vocabulary.NORTH_AMERICAN;
        return DrawnCircuit.view(set.deck(), set.set(), iec);
    }

    @PostMapping("/{practiceId}/moves")
    PracticeView move(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID practiceId,
            @Valid @RequestBody PracticeMoveEdit edit) {
        return view(practices.move(caller, practiceId.toString(), edit.id.toString(), move(edit)));
    }

    private static Practice.Move move(PracticeMoveEdit edit) {
        if (edit.doing == Doing.READ && (edit.what == null || edit.node.isEmpty())) {
            throw new Problem(Problem.Kind.INVALID_ENTRY, "A reading needs a point, and what is read there.");
        }
        if ((edit.doing == Doing.TEST || edit.doing == Doing.NAME) && edit.part.isEmpty()) {
            throw new Problem(Problem.Kind.INVALID_ENTRY, "Which part? Choose it in the drawing or the list.");
        }
        return switch (edit.doing) {
            case READ -> new Practice.Read(new Spot(edit.node, edit.what));
            case TEST -> new Practice.Test(edit.part);
            case NAME -> new Practice.Named(edit.part);
            case SOUND -> new Practice.CalledSound();
            case GIVE_UP -> new Practice.GaveUp();
        };
    }

    @GetMapping("/{practiceId}/hindsight")
    HindsightView hindsight(@AuthenticationPrincipal Caller caller, @PathVariable UUID practiceId) {
        KeptPractice kept = practices.practice(caller.shopId(), practiceId.toString());
        BenchSet set = kept.practice().set().set();
        return practices
                .lookBack(caller.shopId(), practiceId.toString())
                .map(back -> new HindsightView(
                        false,
                        back.gone().stream().map(step -> view(set, step)).toList(),
                        back.best().stream().map(step -> view(set, step)).toList(),
                        back.bestMinutes().orElse(null),
                        score(kept, back.bestMinutes())))
                .orElseGet(() -> new HindsightView(true, List.of(), List.of(), null, null));
    }

    private static HindsightStepView view(BenchSet set, Hindsight.Step step) {
        return new HindsightStepView(
                says(set, step.move()),
                step.result(),
                step.minutes(),
                step.bits(),
                step.better().map(probe -> says(set, probe)).orElse(""),
                step.better().map(Diagnosis.Probe::bits).orElse(0.0),
                step.leading().stream()
                        .map(one -> new PracticeLeadingView(one.says(), (int) Math.round(100 * one.posterior())))
                        .filter(one -> one.percent > 0)
                        .toList(),
                (int) Math.round(100 * step.sound()));
    }

    private static String says(BenchSet set, Diagnosis.Probe probe) {
        return probe.spot()
                .map(spot -> set.nameOf(spot.node()) + spot.suffix())
                .orElseGet(() -> "a test of " + probe.part());
    }

    private static String says(BenchSet set, Practice.Move move) {
        if (move instanceof Practice.Read read) {
            return set.nameOf(read.spot().node()) + read.spot().suffix();
        }
        if (move instanceof Practice.Test test) {
            return "Tested " + test.part();
        }
        if (move instanceof Practice.Named named) {
            return "Named " + named.part();
        }
        return move instanceof Practice.CalledSound ? "Called it sound" : "Gave up";
    }

    private static PracticeView view(KeptPractice kept) {
        Practice practice = kept.practice();
        PracticeSet set = practice.set();
        String mode = set.set().modes().isEmpty() ? "" : set.set().modes().get(0);
        HealthySet healthy = HealthySet.of(set.set(), mode).orElseThrow();
        PartRoles roles = new PartRoles(set.set().cards(), set.set().tubes().data());
        Set<String> found = practice.found();
        boolean smells = practice.burningMinutes() > 0 && !set.burning(found).isEmpty();
        return new PracticeView(
                kept.id(),
                kept.number(),
                set.title(),
                kept.level(),
                kept.level().label(),
                healthy.nominalLine() > 0 ? Spot.dc("").text(healthy.nominalLine()) : "",
                Arrays.stream(Spot.Kind.values())
                        .map(kind -> new ReadingCostView(kind, Effort.minutes(new Spot("", kind))))
                        .toList(),
                points(set.set()).stream()
                        .map(point -> view(point, healthy, practice))
                        .toList(),
                set.subjects().stream()
                        .map(part -> new PracticePartView(
                                part, roles.phrase(part).orElse(""), Effort.minutes(part), found.contains(part)))
                        .toList(),
                moves(practice),
                practice.minutes(),
                practice.burningMinutes(),
                practice.wrong(),
                found.size(),
                smells ? "Something in it is getting too hot: it smells. Minutes with power count twice." : "",
                practice.over(),
                practice.gaveUp(),
                practice.over() ? set.says() : List.of(),
                score(kept, kept.bestMinutes()));
    }

    private static List<TestPoint> points(BenchSet set) {
        List<String> nodes = BenchReadings.points(set);
        return set.testPoints().stream()
                .filter(point -> nodes.contains(point.node()))
                .toList();
    }

    private static PracticePointView view(TestPoint point, HealthySet healthy, Practice practice) {
        OptionalDouble shown = healthy.shown(point.node(), healthy.nominalLine(), PracticeSet.METER);
        return new PracticePointView(
                point.node(),
                point.name(),
                point.hint(),
                shown.isPresent() ? Spot.dc(point.node()).text(shown.getAsDouble()) : "",
                read(practice, new Spot(point.node(), Spot.Kind.DC)),
                read(practice, new Spot(point.node(), Spot.Kind.OHMS)),
                read(practice, new Spot(point.node(), Spot.Kind.RIPPLE)));
    }

    private static String read(Practice practice, Spot spot) {
        return Optional.ofNullable(practice.readings().get(spot))
                .map(spot::text)
                .orElse("");
    }

    /** In order, each with what it showed then. */
    private static List<PracticeMoveView> moves(Practice practice) {
        Practice then = new Practice(practice.set(), List.of());
        List<PracticeMoveView> moves = new ArrayList<>();
        for (Practice.Move move : practice.done()) {
            then = then.and(move);
            moves.add(new PracticeMoveView(says(practice.set().set(), move), then.shown(), then.minutes(move)));
        }
        return moves;
    }
}
