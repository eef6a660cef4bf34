package org.umberdial.server.stands.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.Stop;
import org.umberdial.core.evidence.Decided;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.stands.Stands;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.evidence.KeptEntry;
import org.umberdial.server.evidence.LogLines;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.sets.StoredSet;

/** Where a set stands. */
@RestController
@RequestMapping("/api/sets/{setId}")
class StandsController {
    record StageView(
            String id,
            String title,
            Stands.State state,
            int proven,
            int doubtful,
            int failed,
            int open,
            String sentence,
            String barred) {}

    /**
     * Where an act is done.
     *
     * @param subject what it is about, such as the test that is made; may be empty
     */
    record ActPlace(String id, String area, String subject) {}

    /** @param act where it is settled; null when no act here does */
    record StopView(
            String id,
            Gate gate,
            String words,
            boolean bad,
            @Schema(nullable = true) ActPlace act) {}

    /** @param who wrote it, @param words what it says */
    record NewsView(String who, Instant at, String words) {}

    /**
     * @param lookedAt when this person last looked; null when never
     * @param count how many entries others have made since
     * @param news the latest of them
     */
    record SinceView(@Schema(nullable = true) Instant lookedAt, int count, List<NewsView> news) {}

    record StandsView(
            String id,
            int revision,
            String title,
            String ticket,
            String place,
            String owner,
            String constructionLabel,
            boolean constructionConfirmed,
            String danger,
            boolean liveChassis,
            String waitsFor,
            @Schema(nullable = true) LocalDate waitsUntil,
            @Schema(nullable = true) LocalDate promisedFor,
            @Schema(nullable = true) ActView next,
            List<StageView> stages,
            List<StopView> stops,
            List<String> toSettle,
            List<String> provisional,
            SinceView since) {}

    record DecisionEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 120) String stop,
            @NotBlank @Size(max = 500) String reason) {}

    private static final int MOST_NEWS = 5;

    private final SetFiles files;
    private final EvidenceService evidence;
    private final LastLooks looks;
    private final Clock clock;

    StandsController(SetFiles files, EvidenceService evidence, LastLooks looks, Clock clock) {
        this.files = files;
        this.evidence = evidence;
        this.looks = looks;
        this.clock = clock;
    }

    @GetMapping("/stands")
    StandsView stands(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Stands stands = Stands.of(set.file());
        StoredSet stored = set.stored();
        return new StandsView(
                set.id(),
                set.revision(),
                stored.label().title(),
                stored.label().ticket(),
                stored.label().place(),
                stored.arrival().ownerName(),
                set.set().construction().label(),
                stored.constructionConfirmed(),
                set.danger(),
                set.liveChassis(),
                stored.label().waitsFor(),
                stored.label().waitsUntil().orElse(null),
                stored.label().promisedFor().orElse(null),
                stands.next().map(ActView::of).orElse(null),
                stands.stages().stream().map(StandsController::view).toList(),
                stands.stops().stream().map(StandsController::view).toList(),
                stands.toSettle(),
                stands.provisional(),
                since(caller, set));
    }

    private static StageView view(Stands.Stage s) {
        return new StageView(
                s.id(), s.title(), s.state(), s.proven(), s.doubtful(), s.failed(), s.open(), s.sentence(), s.barred());
    }

    private static StopView view(Stop stop) {
        String[] act = stop.act().split(":", 2);
        return new StopView(
                stop.id(),
                stop.gate(),
                stop.words(),
                stop.bad(),
                act.length < 2 ? null : new ActPlace(stop.act(), act[0], act[0].equals("cold") ? act[1] : ""));
    }

    private SinceView since(Caller caller, OpenSet set) {
        LastLooks.News since = looks.since(caller, set);
        List<KeptEntry> fresh = since.entries();
        LogLines lines = new LogLines(set.set(), set.log().fallen(), clock.instant());
        List<NewsView> news = fresh.stream()
                .skip(Math.max(0, fresh.size() - MOST_NEWS))
                .sorted(java.util.Comparator.comparing(KeptEntry::order).reversed())
                .map(kept -> {
                    LogLines.LogLine line = lines.line(kept);
                    String words = line.figure().isEmpty()
                            ? line.text()
                            : line.subject() + " " + line.figure()
                                    + (line.text().isEmpty() ? "" : ", " + line.text());
                    return new NewsView(kept.author(), kept.entry().takenAt(), words);
                })
                .toList();
        return new SinceView(since.lookedAt().orElse(null), fresh.size(), news);
    }

    /** This person has seen the set as it is now. */
    @PutMapping("/last-look")
    void looked(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        looks.looked(caller, files.open(caller.shopId(), setId.toString()));
    }

    /** Goes on although something that bars power has not been looked at, with the reason; what is wrong is mended. */
    @PostMapping("/decisions")
    StandsView decide(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody DecisionEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        boolean again =
                set.log().entries().stream().anyMatch(entry -> entry.id().equals(edit.id.toString()));
        if (!again) {
            Stop stop = Guide.of(set.file()).stops().stream()
                    .filter(s -> s.id().equals(edit.stop))
                    .findFirst()
                    .orElseThrow(() -> Problem.notFound("This stop"));
            if (stop.bad() || stop.gate() == Gate.HANDS_IN) {
                throw new InvalidEntry(
                                InvalidEntry.Code.CONFLICT,
                                stop.gate() == Gate.HANDS_IN
                                        ? "A charge is not decided away: read the capacitors empty."
                                        : "This is wrong, not only unread: mend it and test it again.")
                        .at("stop");
            }
            evidence.keep(
                    caller,
                    set.id(),
                    edit.id.toString(),
                    new Decided(stop.id(), stop.words(), edit.reason.strip()),
                    Optional.empty());
        }
        return stands(caller, setId);
    }
}
