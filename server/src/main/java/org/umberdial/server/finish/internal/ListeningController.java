package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.Listened;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.listening.Listening;
import org.umberdial.core.listening.ListeningQuestion;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.sound.Distortion;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.limits.Uploads;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The listening test of a set, and the distortion of a sine it played. */
@RestController
@RequestMapping("/api/sets/{setId}/listening")
class ListeningController {
    /**
     * Where a bad answer leads.
     *
     * @param firstAsk what to ask before any test
     * @param parts of this set that do what the symptom speaks of, the likeliest first
     * @param tests the cheapest that tell them apart, the cold ones first
     */
    record ListeningLead(String words, String firstAsk, List<String> parts, List<String> tests, String act) {}

    /**
     * @param answer {@code good}, {@code bad}, {@code none} or empty, @param stale whether a part was replaced since
     */
    record ListeningQuestionView(
            String id,
            String group,
            String ask,
            String good,
            String bad,
            String how,
            String caution,
            int minutes,
            String answer,
            String note,
            boolean stale,
            @Schema(nullable = true) ListeningLead lead) {}

    record ListeningView(List<ListeningQuestionView> questions, int open, int bad, String distortion) {}

    record ListeningEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 40) String question,
            @NotNull @Size(max = 10) String answer,
            @NotNull @Size(max = 300) String note) {}

    record HumView(double hertz, double decibels) {}

    record DistortionView(
            double hertz, double thdPercent, List<Double> harmonics, List<HumView> hum, List<String> says) {}

    private static final String DISTORTION = "distortion";
    private static final int LARGEST = 32_000_000;
    private static final int MOST_PARTS = 6;

    private final SetFiles files;
    private final EvidenceService evidence;
    private final Uploads uploads;

    ListeningController(SetFiles files, EvidenceService evidence, Uploads uploads) {
        this.files = files;
        this.evidence = evidence;
        this.uploads = uploads;
    }

    @GetMapping
    ListeningView listening(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Listening listening = FinishArea.listening(set.file());
        PartRoles roles = new PartRoles(set.set().cards(), set.set().tubes().data());
        return new ListeningView(
                listening.asked().stream()
                        .map(question -> view(set, roles, question, listening.answer(question.id())))
                        .toList(),
                listening.open().size(),
                listening.bad().size(),
                set.log().standing(Listened.class).stream()
                        .map(Standing::fact)
                        .filter(f -> f.question().equals(DISTORTION))
                        .reduce((a, b) -> b)
                        .map(Listened::note)
                        .orElse(""));
    }

    private static ListeningQuestionView view(
            OpenSet set, PartRoles roles, ListeningQuestion question, Optional<Listening.Answered> answer) {
        boolean bad = answer.filter(a -> a.answer().equals(ListeningQuestion.BAD) && !a.stale())
                .isPresent();
        return new ListeningQuestionView(
                question.id(),
                question.group(),
                question.ask(),
                question.good(),
                question.bad(),
                question.how(),
                question.caution().isEmpty()
                        ? ""
                        : Cautions.of(question.caution()).text(),
                (int) Math.ceil(question.minutes()),
                answer.map(Listening.Answered::answer).orElse(""),
                answer.map(Listening.Answered::note).orElse(""),
                answer.map(Listening.Answered::stale).orElse(false),
                bad ? question.symptom().map(s -> lead(set, roles, s)).orElse(null) : null);
    }

    private static ListeningLead lead(OpenSet set, PartRoles roles, Symptom symptom) {
        List<String> parts = symptom.roles().stream()
                .flatMap(fault -> set.set().parts().stream()
                        .filter(part -> roles.role(part.reference())
                                .filter(role -> role.name().equalsIgnoreCase(fault.role()))
                                .isPresent())
                        .map(part -> part.reference() + ", "
                                + roles.phrase(part.reference()).orElse("") + ": "
                                + fault.failure().replace('_', ' ')))
                .limit(MOST_PARTS)
                .toList();
        return new ListeningLead(symptom.words(), symptom.firstAsk(), parts, symptom.tests(), symptom.act());
    }

    @PostMapping
    ListeningView answer(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody ListeningEdit edit) {
        ListeningQuestion question = ListeningQuestion.of(edit.question);
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Listened(question.id(), question.ask(), question.checked(edit.answer), edit.note.strip()),
                Optional.empty());
        return listening(caller, setId);
    }

    /** The distortion of a recorded sine; it is kept as a line of the log. */
    @PostMapping(path = "/sines/{id}", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    DistortionView sine(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID id,
            HttpServletRequest request) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        return uploads.take(caller, request, LARGEST, "The sound", file -> {
            Distortion found;
            try (InputStream in = Files.newInputStream(file)) {
                found = Distortion.of(in, set.policy().lineHertz());
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            String words = String.format(
                    Locale.ROOT,
                    "%.2f %% of harmonics on %.0f Hz%s",
                    found.thdPercent(),
                    found.hertz(),
                    found.hum().stream()
                            .map(h -> String.format(Locale.ROOT, "; %.0f Hz %.0f dB", h.hertz(), h.decibels()))
                            .collect(Collectors.joining()));
            evidence.keep(
                    caller,
                    set.id(),
                    id.toString(),
                    new Listened(
                            DISTORTION,
                            "Distortion of a recorded sine:",
                            String.format(Locale.ROOT, "%.2f", found.thdPercent()),
                            words),
                    Optional.empty());
            return new DistortionView(
                    found.hertz(),
                    found.thdPercent(),
                    found.harmonics(),
                    found.hum().stream()
                            .map(h -> new HumView(h.hertz(), h.decibels()))
                            .toList(),
                    found.says());
        });
    }
}
