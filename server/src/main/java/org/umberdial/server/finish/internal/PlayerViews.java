package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.umberdial.core.alignment.ChassisLead;
import org.umberdial.core.area.Plug;
import org.umberdial.core.caution.Caution;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.PlayerAnswered;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.player.Drive;
import org.umberdial.core.player.DriveKind;
import org.umberdial.core.player.HalfRound;
import org.umberdial.core.player.NamedLine;
import org.umberdial.core.player.PlayerBench;
import org.umberdial.core.player.PlayerRanking;
import org.umberdial.core.player.Question;
import org.umberdial.core.player.Turning;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.setfile.OpenSet;

/** A player as its screens show it. */
final class PlayerViews {
    record DriveChoice(String id, String label, String what, boolean turnsRecords, boolean carries) {}

    /** @param hertz at the speed shown, @param part what it belongs to */
    record TurningView(String id, String label, Turning.Part part, double hertz) {}

    /**
     * One speed that diameters make.
     *
     * @param stepMm of the shaft, @param madeRpm by motor and diameters, nullable
     * @param rightStepMm step that would make it right at the motor's speed, nullable
     */
    record DriveStepView(
            double rpm,
            double stepMm,
            @Schema(nullable = true) Double madeRpm,
            @Schema(nullable = true) Double offPercent,
            @Schema(nullable = true) Double rightStepMm) {}

    /** @param otherLine what the motor's plate says of another line frequency than the shop's; empty when nothing */
    record DriveView(
            String kind,
            String label,
            List<String> has,
            @Schema(nullable = true) Double motorRpm,
            @Schema(nullable = true) Double madeForHertz,
            @Schema(nullable = true) Double idlerMm,
            @Schema(nullable = true) Double rimMm,
            @Schema(nullable = true) Double beltMm,
            @Schema(nullable = true) Double beltThickMm,
            List<DriveStepView> steps,
            List<TurningView> turning,
            String otherLine) {}

    record SpeedLineView(
            double hertz,
            double percent,
            List<String> may,
            @Schema(nullable = true) Turning.Part part,
            @Schema(nullable = true) Double offsetMm) {}

    record ToneView(
            double hertz,
            double heardHertz,
            double driftPercent,
            double weightedPercent,
            double rmsPercent,
            double seconds,
            int clicks,
            boolean halfRound,
            boolean marked,
            List<SpeedLineView> lines,
            double tracePerSecond,
            List<Double> trace) {}

    /** @param right whether it is within the house's band, @param old whether something was put right since */
    record SpeedView(
            String id,
            Instant at,
            String author,
            SpeedRead.What what,
            String unit,
            SpeedRead.How how,
            String howLabel,
            SpeedRead.Load load,
            String loadLabel,
            double rpm,
            double measuredRpm,
            double within,
            double offPercent,
            boolean right,
            @Schema(nullable = true) Double minutes,
            @Schema(nullable = true) Double weightedPercent,
            boolean old) {}

    record PlayerSuspectView(
            String id,
            String part,
            String cause,
            String remedy,
            double belief,
            boolean named,
            List<String> speaksFor,
            List<String> speaksAgainst,
            String caution) {}

    /** @param answer what was answered; empty for nothing, @param sign whether it is as it should not be */
    record PlayerQuestionView(
            String id,
            String ask,
            List<String> how,
            int minutes,
            boolean plugIn,
            String unit,
            String limit,
            String answer,
            @Schema(nullable = true) Boolean sign,
            String says,
            String note,
            String caution,
            String proves,
            double bits) {}

    /** @param platterPercent the platter's share of the wow once a turn, @param recordPercent the record's */
    record HalfRoundView(double platterPercent, double recordPercent, String says) {}

    /**
     * @param receives whether it is more than a player alone, so that it has a dial and circuits to tune
     * @param left signs that what is named does not explain are looked into with these, the best question first
     * @param speedApartPercent the house's bands
     * @param listening what bars the line input, where a lead would go on a chassis that may be live; else empty
     */
    record PlayerView(
            int revision,
            String title,
            String danger,
            boolean liveChassis,
            String constructionLabel,
            String standing,
            boolean mayBePlayer,
            boolean receives,
            @Schema(nullable = true) DriveView drive,
            boolean turnsRecords,
            List<DriveChoice> drives,
            List<String> extras,
            List<SpeedView> speeds,
            @Schema(nullable = true) ToneView tone,
            @Schema(nullable = true) HalfRoundView halfRound,
            List<String> signs,
            List<PlayerSuspectView> suspects,
            double unexplained,
            List<PlayerQuestionView> next,
            List<PlayerQuestionView> questions,
            double speedApartPercent,
            double wowMostPercent,
            double lineHertz,
            String listening,
            List<String> cautions,
            @Schema(nullable = true) ActView guide) {}

    private static final int SUSPECTS = 6;
    private static final int NEXT = 3;

    private PlayerViews() {}

    static PlayerView of(OpenSet set, Instant now) {
        PlayerBench player = FinishArea.player(set.file());
        HousePolicy policy = set.policy();
        List<SpeedRead> since = player.since().stream().map(Standing::fact).toList();
        Optional<SpeedRead> toned =
                since.stream().filter(r -> r.tone().isPresent()).reduce((a, b) -> b);
        Optional<PlayerRanking> ranking = player.ranking();
        return new PlayerView(
                set.revision(),
                set.stored().label().title(),
                set.danger(),
                set.liveChassis(),
                set.set().construction().label(),
                new FinishArea().standing(set.file()),
                FinishArea.turns(set.file()),
                !set.set().construction().player(),
                player.drive().map(d -> drive(d, toned, policy)).orElse(null),
                player.drive().map(d -> d.kind().turnsRecords()).orElse(true),
                Arrays.stream(DriveKind.values())
                        .map(k -> new DriveChoice(k.id(), k.label(), k.what(), k.turnsRecords(), k.carries()))
                        .toList(),
                List.copyOf(Question.extras()),
                player.reads().stream()
                        .sorted(Comparator.comparing((Standing<SpeedRead> r) -> r.at())
                                .reversed())
                        .map(r -> speed(r, policy, !player.since().contains(r)))
                        .toList(),
                toned.map(r -> tone(r, player.drive(), policy)).orElse(null),
                HalfRound.of(since).map(PlayerViews::halfRound).orElse(null),
                Question.all().stream()
                        .filter(q -> player.signs().getOrDefault(q.id(), false))
                        .map(Question::sign)
                        .toList(),
                ranking.filter(r -> player.signs().containsValue(true))
                        .map(PlayerViews::suspects)
                        .orElse(List.of()),
                ranking.map(PlayerRanking::none).orElse(0.0),
                ranking.map(r -> r.next().stream()
                                .filter(n -> !set.liveChassis() || !n.question().touchesChassis())
                                .limit(NEXT)
                                .map(n -> question(n.question(), player, n.bits()))
                                .toList())
                        .orElse(List.of()),
                player.drive()
                        .map(d -> Question.of(d.kind(), d.described().has()).stream()
                                .filter(Question::asked)
                                .filter(q -> !set.liveChassis() || !q.touchesChassis())
                                .map(q -> question(q, player, 0))
                                .toList())
                        .orElse(List.of()),
                100 * policy.finish().speedApart(),
                100 * policy.finish().wowMost(),
                policy.lineHertz(),
                ChassisLead.bars(set.file(), now).orElse(""),
                List.of("motor_pinch", "stylus_care").stream()
                        .map(Cautions::of)
                        .map(Caution::text)
                        .toList(),
                ActView.next(set).orElse(null));
    }

    private static DriveView drive(Drive drive, Optional<SpeedRead> toned, HousePolicy policy) {
        var said = drive.described();
        double setting = toned.map(SpeedRead::rpm)
                .orElseGet(() ->
                        drive.steps().keySet().stream().sorted().findFirst().orElse(100 / 3.0));
        double rpm = toned.map(SpeedRead::measuredRpm).orElse(setting);
        return new DriveView(
                drive.kind().id(),
                drive.kind().label(),
                said.has().stream().sorted().toList(),
                said.motorRpm().orElse(null),
                said.madeForHertz().orElse(null),
                said.idlerMm().orElse(null),
                said.rimMm().orElse(null),
                said.beltMm().orElse(null),
                said.beltThickMm().orElse(null),
                new TreeMap<>(drive.steps())
                        .entrySet().stream().map(s -> step(drive, s)).toList(),
                drive.turning(setting, rpm, policy.lineHertz()).stream()
                        .map(t -> new TurningView(t.id(), t.label(), t.part(), t.hertz()))
                        .toList(),
                otherLine(drive, policy));
    }

    private static DriveStepView step(Drive drive, Map.Entry<Double, Double> step) {
        OptionalDouble made = drive.made(step.getKey());
        OptionalDouble right = drive.described().motorRpm().isPresent()
                ? drive.stepFor(step.getKey(), drive.described().motorRpm().get())
                : OptionalDouble.empty();
        return new DriveStepView(
                step.getKey(),
                step.getValue(),
                made.isPresent() ? made.getAsDouble() : null,
                made.isPresent() ? 100 * (made.getAsDouble() / step.getKey() - 1) : null,
                right.isPresent() ? right.getAsDouble() : null);
    }

    private static String otherLine(Drive drive, HousePolicy policy) {
        Optional<Double> plate = drive.described().madeForHertz();
        if (plate.isEmpty() || Math.abs(plate.get() / policy.lineHertz() - 1) < 0.02) {
            return "";
        }
        double share = policy.lineHertz() / plate.get();
        String off = String.format(
                Locale.ROOT,
                "The plate says %.0f Hz and the line here has %.0f: every speed is %.0f %% %s.",
                plate.get(),
                policy.lineHertz(),
                100 * Math.abs(share - 1),
                share < 1 ? "slow" : "fast");
        return drive.kind().carries()
                ? off + String.format(Locale.ROOT, " A step %.3f times as large makes it right.", 1 / share)
                : off + " It needs the frequency on its plate.";
    }

    private static ToneView tone(SpeedRead read, Optional<Drive> drive, HousePolicy policy) {
        SpeedRead.Tone tone = read.tone().orElseThrow();
        List<Turning> turning = drive.map(d -> d.turning(read.rpm(), read.measuredRpm(), policy.lineHertz()))
                .orElse(List.of());
        return new ToneView(
                tone.hertz(),
                tone.heardHertz(),
                tone.driftPercent(),
                tone.weightedPercent(),
                tone.rmsPercent(),
                tone.seconds(),
                tone.clicks(),
                tone.halfRound(),
                tone.mark().isPresent(),
                NamedLine.of(tone, turning).stream()
                        .map(line -> line(line, tone.grooveMm()))
                        .toList(),
                tone.tracePerSecond(),
                tone.trace());
    }

    private static SpeedLineView line(NamedLine line, Optional<Double> grooveMm) {
        OptionalDouble offset = grooveMm.map(line::offsetMm).orElse(OptionalDouble.empty());
        return new SpeedLineView(
                line.line().hertz(),
                line.line().percent(),
                line.may().stream().map(Turning::label).toList(),
                line.part().orElse(null),
                offset.isPresent() ? offset.getAsDouble() : null);
    }

    private static SpeedView speed(Standing<SpeedRead> read, HousePolicy policy, boolean old) {
        SpeedRead fact = read.fact();
        return new SpeedView(
                read.id(),
                read.at(),
                read.entry().author(),
                fact.what(),
                fact.what().unit(),
                fact.how(),
                fact.how().label(),
                fact.load(),
                fact.load().label(),
                fact.rpm(),
                fact.measuredRpm(),
                fact.within(),
                100 * fact.off(),
                Math.abs(fact.off()) <= policy.finish().speedApart(),
                fact.minutes().orElse(null),
                fact.tone().map(SpeedRead.Tone::weightedPercent).orElse(null),
                old);
    }

    private static HalfRoundView halfRound(HalfRound half) {
        String says = half.record()
                ? "The wow once a turn went round with the record: it is the record’s, and the platter is acquitted."
                : half.platter()
                        ? "The wow once a turn stayed with the platter: its rim or bearing, not the record."
                        : "Platter and record both have their share of the wow once a turn.";
        return new HalfRoundView(half.platterPercent(), half.recordPercent(), says);
    }

    private static List<PlayerSuspectView> suspects(PlayerRanking ranking) {
        List<PlayerRanking.Suspect> named = ranking.named();
        List<PlayerRanking.Suspect> all = new ArrayList<>(named);
        ranking.suspects().stream()
                .filter(s -> all.stream().noneMatch(n -> n.cause().equals(s.cause())))
                .filter(s -> !s.speaksFor().isEmpty())
                .limit(SUSPECTS - Math.min(SUSPECTS, all.size()))
                .forEach(all::add);
        return all.stream()
                .map(s -> new PlayerSuspectView(
                        s.cause().id(),
                        s.cause().part(),
                        s.cause().cause(),
                        s.cause().remedy(),
                        s.belief(),
                        named.contains(s),
                        s.speaksFor().stream().map(Question::sign).toList(),
                        s.speaksAgainst().stream().map(Question::sign).toList(),
                        caution(s.cause().caution())))
                .toList();
    }

    private static String caution(String id) {
        return id.isEmpty() ? "" : Cautions.of(id).text();
    }

    private static PlayerQuestionView question(Question question, PlayerBench player, double bits) {
        Optional<PlayerAnswered> said =
                Optional.ofNullable(player.answers().get(question.id())).map(Standing::fact);
        String answer = said.map(PlayerAnswered::answer).orElse("");
        return new PlayerQuestionView(
                question.id(),
                question.asked() ? question.ask() : question.sign(),
                question.how(),
                (int) Math.ceil(question.minutes()),
                question.plug() == Plug.IN,
                question.unit(),
                question.figure()
                        ? (question.kind() == Question.Kind.BELOW ? "at least " : "at most ")
                                + PlayerBench.plain(question.limit()) + " " + question.unit()
                        : "",
                answer,
                question.shows(answer).orElse(null),
                question.sign(),
                said.map(PlayerAnswered::note).orElse(""),
                caution(question.caution()),
                question.proves()
                        .map(c -> c.subject().toLowerCase(Locale.ROOT) + ": "
                                + c.aspect().label())
                        .orElse(""),
                bits);
    }
}
