package org.umberdial.server.diagnosis.internal;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.util.UriComponentsBuilder;
import org.springframework.web.util.UriUtils;
import org.umberdial.core.diagnosis.Advice;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.diagnosis.Background;
import org.umberdial.core.diagnosis.BenchReadings;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.FaultMode;
import org.umberdial.core.diagnosis.SetRanking;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;
import org.umberdial.core.volts.VoltsArea;
import org.umberdial.core.volts.WhatIf;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.AtlasDesk;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** Which part of a set explains what was read of it. */
@RestController
@RequestMapping("/api/sets/{setId}/diagnosis")
class DiagnosisController {
    private static final int MOST_SIGNS = 4;
    private static final double SPEAKS = 1;
    private static final int MOST_CAUSES = 4;

    /** @param speaks whether it speaks for the suspect, against it when below 0 */
    record SignView(String point, String read, String predicted, String healthy, int speaks) {}

    /**
     * @param confirm the test that proves it, {@code ignored} what comes of leaving it
     * @param whatIf the query under which "what if" shows the set with it; empty when that cannot show it
     */
    record AccusedView(String part, String role, String confirm, String tellApart, String ignored, String whatIf) {}

    /**
     * @param parts that are meant: one, or two that are bad at once
     * @param percent how much of the belief is in it
     * @param accuses whether it is the part that is meant; beside usual values it may be the drawing
     * @param acquits what would clear it, a sentence; empty when nothing that is left to read would
     */
    record SuspectedView(
            List<AccusedView> parts,
            String says,
            double percent,
            boolean accuses,
            List<String> alike,
            List<SignView> signs,
            String acquits) {}

    record HiddenView(String part, List<String> ways) {}

    /**
     * @param node to read, empty when a part is to be tested
     * @param typed how the figure is typed, a sentence; empty when as usual
     */
    record ProbeView(String node, String part, String words, String typed, double bits, double minutes) {}

    /**
     * @param underway whether the faults are still being solved: ask again
     * @param reason why nothing can be said; empty when it can
     * @param read how many points were read, {@code points} how many there are
     * @param verdict in a sentence
     * @param line on which all figures are compared; empty for a set on batteries
     */
    record DiagnosisView(
            int revision,
            String title,
            boolean underway,
            String reason,
            int read,
            int points,
            String verdict,
            double healthyPercent,
            double unknownPercent,
            String line,
            List<SuspectedView> suspects,
            List<HiddenView> unseen,
            List<HiddenView> unsolved,
            List<ProbeView> probes,
            List<String> notes) {}

    private final SetFiles files;
    private final AtlasDesk atlases;

    DiagnosisController(SetFiles files, AtlasDesk atlases) {
        this.files = files;
        this.atlases = atlases;
    }

    @GetMapping
    DiagnosisView diagnosis(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet open = files.open(caller.shopId(), setId.toString());
        String mode = open.file().contents().bench().mode();
        AtlasSource.Answer answer =
                atlases.soon(open.set(), open.file().contents().bench());
        if (answer instanceof AtlasSource.Ready ready) {
            return view(open, ready);
        }
        String why = WhatIf.whyUnsolved(open.set(), mode);
        return without(
                open,
                answer instanceof AtlasSource.Underway,
                answer instanceof AtlasSource.Underway
                        ? "Every fault of this circuit is being solved, once; it takes some seconds."
                        : why.isEmpty() ? "This circuit has no point that is read on DC." : why);
    }

    private DiagnosisView view(OpenSet open, AtlasSource.Ready ready) {
        Background background = VoltsArea.background(open.file(), open.file().ledger());
        SetRanking ranking = SetRanking.of(
                open.set(), open.log().readings(), open.file().contents().bench(), background, ready, atlases);
        BenchReadings readings = ranking.readings();
        Atlas atlas = ready.atlas();
        Diagnosis diagnosis = ranking.diagnosis();
        Advice advice = new Advice(open.set());
        return new DiagnosisView(
                open.revision(),
                open.stored().label().title(),
                false,
                "",
                readings.volts().size(),
                atlas.points().size(),
                advice.verdict(diagnosis, readings.all().size()),
                percent(diagnosis.healthy()),
                percent(diagnosis.unknown()),
                ready.line() > 0 ? Engineering.print(ready.line(), Unit.VOLT) : "",
                diagnosis.suspects().stream().map(s -> view(open, advice, s)).toList(),
                hidden(diagnosis.unseen()),
                hidden(diagnosis.unsolved()),
                diagnosis.probes().stream()
                        .limit(6)
                        .map(probe -> new ProbeView(
                                probe.node(),
                                probe.part(),
                                advice.words(probe),
                                probe.spot().map(Spot::typed).orElse(""),
                                probe.bits(),
                                probe.minutes()))
                        .toList(),
                notes(open, ranking, background, atlas));
    }

    private static DiagnosisView without(OpenSet open, boolean underway, String reason) {
        return new DiagnosisView(
                open.revision(),
                open.stored().label().title(),
                underway,
                reason,
                0,
                0,
                "",
                0,
                0,
                "",
                List.of(),
                List.of(),
                List.of(),
                List.of(),
                List.of());
    }

    private static double percent(double share) {
        return Math.round(1000 * share) / 10.0;
    }

    private static SuspectedView view(OpenSet open, Advice advice, Diagnosis.Suspect suspect) {
        List<AccusedView> accused = new ArrayList<>(List.of(accused(advice, suspect.fault(), suspect.grade())));
        suspect.second().ifPresent(second -> accused.add(accused(advice, second.fault(), second.grade())));
        boolean assumed = suspect.fault().assumed()
                || suspect.second().filter(second -> second.fault().assumed()).isPresent();
        return new SuspectedView(
                accused,
                suspect.says(),
                percent(suspect.posterior()),
                !assumed,
                suspect.alike(),
                suspect.signs().stream()
                        .filter(sign -> Math.abs(sign.speaks()) > SPEAKS)
                        .limit(MOST_SIGNS)
                        .map(sign -> new SignView(
                                open.set().nameOf(sign.spot().node())
                                        + sign.spot().suffix(),
                                sign.spot().text(sign.read()),
                                Double.isNaN(sign.predicted())
                                        ? "anything"
                                        : sign.spot().text(sign.predicted()),
                                sign.spot().text(sign.healthy()),
                                (int) Math.signum(sign.speaks())))
                        .toList(),
                advice.acquits(suspect));
    }

    private static AccusedView accused(Advice advice, FaultMode fault, double grade) {
        return new AccusedView(
                fault.subject(),
                advice.role(fault),
                advice.confirm(fault),
                advice.tellApart(fault),
                advice.ignored(fault),
                whatIf(fault, grade));
    }

    private static String whatIf(FaultMode fault, double grade) {
        String value = fault.sized() ? Engineering.print(grade, fault.kind().unit()) : "";
        String kind = switch (fault.kind()) {
            case OPEN, HEATER_OPEN -> "OPEN";
            case SHORTED -> "SHORTED";
            case LEAKS -> "LEAK";
            case DRIFTED_UP, DRIFTED_DOWN, DRIED_OUT -> "VALUE";
            case WEAK, DEAD -> "WEAK";
            case GASSY -> "";
        };
        String share = kind.equals("WEAK") ? Engineering.plain(Math.max(1, Math.round(100 * grade))) : value;
        return kind.isEmpty()
                ? ""
                : UriComponentsBuilder.newInstance()
                        .queryParam("part", fault.part())
                        .queryParam("kind", kind)
                        .queryParam("value", UriUtils.encode(share, StandardCharsets.UTF_8))
                        .build(true)
                        .getQuery();
    }

    private static List<HiddenView> hidden(List<FaultMode> modes) {
        Map<String, List<String>> parts = new LinkedHashMap<>();
        modes.forEach(mode -> parts.computeIfAbsent(mode.subject(), name -> new ArrayList<>())
                .add(mode.kind().label()));
        return parts.entrySet().stream()
                .map(e -> new HiddenView(
                        e.getKey(), e.getValue().stream().distinct().toList()))
                .toList();
    }

    private static List<String> notes(OpenSet open, SetRanking ranking, Background background, Atlas atlas) {
        BenchReadings readings = ranking.readings();
        Diagnosis diagnosis = ranking.diagnosis();
        List<String> notes = new ArrayList<>();
        if (!diagnosis.passedOver().isEmpty()) {
            notes.add("Left out, since the healthy circuit has nothing to compare them with: "
                    + diagnosis.passedOver().stream()
                            .map(spot -> open.set().nameOf(spot.node()) + spot.suffix())
                            .collect(Collectors.joining(", "))
                    + ".");
        }
        String disturbed = ForNow.disturbing(open.log());
        if (!disturbed.isEmpty()) {
            notes.add("Not as drawn for now: " + disturbed
                    + ". Readings taken so are left out; what was read before is ranked.");
        }
        if (!ranking.otherModes().isEmpty()) {
            notes.add("What was read on " + String.join(", ", ranking.otherModes())
                    + " counts too: what is right there clears what it shares.");
        }
        if (!background.heard().isEmpty()) {
            notes.add("What is heard counts too: "
                    + background.heard().stream().map(Symptom::words).collect(Collectors.joining("; ")) + ".");
        }
        for (String part : background.charred()) {
            List<FaultMode> causes = atlas.overloading(part);
            notes.add(part + " was seen charred. "
                    + (causes.isEmpty()
                            ? "No fault reckoned here puts so much into it: look for a short that is not drawn."
                            : "That is what these would do to it: "
                                    + causes.stream()
                                            .limit(MOST_CAUSES)
                                            .map(mode -> mode.subject() + " "
                                                    + mode.kind().adjective() + " ("
                                                    + Engineering.round(
                                                            atlas.burns(mode).get(part), Unit.WATT)
                                                    + ")")
                                            .collect(Collectors.joining(", "))
                                    + ". Find which before it is replaced, or it chars again."));
        }
        if (!readings.beside().isEmpty()) {
            notes.add(readings.beside().size()
                    + (readings.beside().size() == 1 ? " reading" : " readings")
                    + " of cold ohms or ripple count too.");
        }
        if (readings.moved() > 0) {
            notes.add(readings.moved()
                    + (readings.moved() == 1 ? " reading was" : " readings were")
                    + " taken on quite another line or with another meter; they are moved by what a healthy set does.");
        }
        long usual =
                open.set().parts().stream().filter(part -> part.unconfirmed()).count();
        if (usual > 0) {
            notes.add(usual + (usual == 1 ? " value is" : " values are")
                    + " as such sets usually have them: where one of those is off, the drawing may be wrong and not the"
                    + " part.");
        }
        return notes;
    }
}
