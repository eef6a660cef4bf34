package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Stream;
import org.umberdial.core.alignment.AlignStep;
import org.umberdial.core.alignment.Alignment;
import org.umberdial.core.alignment.ChassisLead;
import org.umberdial.core.alignment.Feed;
import org.umberdial.core.evidence.Aligned;
import org.umberdial.core.evidence.CurveRead;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.PowerArea;
import org.umberdial.core.radio.ReceiverChain;
import org.umberdial.core.tuning.IntermediateFrequency;
import org.umberdial.core.tuning.ResponseCurve;
import org.umberdial.core.tuning.SCurve;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.power.SignalBench;
import org.umberdial.server.setfile.OpenSet;

/** The alignment of a set as the screens show it. */
final class AlignmentViews {
    /** @param said whether somebody said it; else it is what the circuit lets suppose */
    record ReceiverView(
            ReceiverSaid.Kind kind,
            int cans,
            int fmCans,
            ReceiverSaid.Detector detector,
            Set<ReceiverSaid.Has> has,
            boolean said) {}

    record GearView(GearSaid.Generator generator, GearSaid.Meter meter, boolean counter) {}

    record AlignChoice(String id, String name) {}

    /** What can be said of receiver and instruments. */
    record AlignChoices(
            List<AlignChoice> kinds,
            List<AlignChoice> detectors,
            List<AlignChoice> has,
            List<AlignChoice> generators,
            List<AlignChoice> meters) {}

    /**
     * One step.
     *
     * @param hertz of the generator; null when nothing is fed
     * @param microvolts that it gives to begin with
     * @param clips whether a lead goes on the chassis
     * @param backTitle of the step one goes back to; empty for none
     * @param before as kept last; null when nothing was
     */
    record AlignStepView(
            String id,
            AlignStep.Part part,
            String partLabel,
            String title,
            String band,
            Feed feed,
            String where,
            String through,
            @Schema(nullable = true) Double hertz,
            String signal,
            @Schema(nullable = true) Double microvolts,
            String dial,
            List<String> cores,
            AlignStep.Aim aim,
            String aimLabel,
            AlignStep.Read read,
            String readAt,
            String unit,
            String expect,
            String why,
            boolean clips,
            String back,
            String backTitle,
            boolean done,
            @Schema(nullable = true) Double before,
            @Schema(nullable = true) Double after,
            String note) {}

    record AlignPoint(double hertz, double value) {}

    /**
     * A curve that was read.
     *
     * @param centre middle of a response, or where a detector’s S crosses nought [Hz]; null when it is not known
     * @param width between the half-power points [Hz]
     * @param problem why it says nothing; empty when it does
     */
    record AlignCurve(
            String name,
            CurveRead.Sort sort,
            double wanted,
            List<AlignPoint> points,
            @Schema(nullable = true) Double centre,
            @Schema(nullable = true) Double width,
            @Schema(nullable = true) Double quality,
            boolean right,
            List<String> says,
            String problem,
            Instant at) {}

    /**
     * The whole.
     *
     * @param lead what bars an earthed lead on the chassis; empty when nothing does
     * @param live whether the chassis may be live, so that the lead is asked for at all
     * @param beforePower how many things are not settled that stand before power
     * @param signs what speaks for an alignment; empty when nothing does
     * @param school what the house does, @param schoolWhy and why
     * @param next id of the first step nobody has done; empty when all are
     */
    record AlignmentView(
            ReceiverView receiver,
            GearView gear,
            AlignChoices choices,
            List<AlignStepView> steps,
            List<String> lacks,
            String lead,
            boolean live,
            int beforePower,
            String signs,
            String school,
            String schoolWhy,
            List<AlignCurve> curves,
            String next,
            boolean generatorAnswers,
            boolean meterAnswers,
            boolean turnsHere) {}

    private static final AlignChoices CHOICES = new AlignChoices(
            choices(ReceiverSaid.Kind.values(), ReceiverSaid.Kind::label),
            choices(ReceiverSaid.Detector.values(), ReceiverSaid.Detector::label),
            choices(ReceiverSaid.Has.values(), ReceiverSaid.Has::label),
            choices(GearSaid.Generator.values(), GearSaid.Generator::label),
            choices(GearSaid.Meter.values(), GearSaid.Meter::label));

    private AlignmentViews() {}

    private static <E extends Enum<E>> List<AlignChoice> choices(E[] values, Function<E, String> label) {
        return Arrays.stream(values)
                .map(value -> new AlignChoice(value.name(), label.apply(value)))
                .toList();
    }

    /** @param alignment with what its circuit needs, where that was reckoned */
    static AlignmentView of(OpenSet set, Alignment alignment, SignalBench.Can can, Instant now) {
        School school = set.policy().schools().of(School.Question.ALIGNMENT);
        return new AlignmentView(
                receiver(set, alignment),
                new GearView(
                        alignment.gear().generator(),
                        alignment.gear().meter(),
                        alignment.gear().counter()),
                CHOICES,
                alignment.plan().steps().stream()
                        .map(step -> step(alignment, step))
                        .toList(),
                alignment.plan().lacks(),
                ChassisLead.bars(set.file(), now).orElse(""),
                set.liveChassis(),
                PowerArea.unsettled(set.file()).size(),
                FinishArea.signsOfDetuning(set.file()).orElse(""),
                school.label(),
                school.why(),
                alignment.curves().stream().map(AlignmentViews::curve).toList(),
                alignment.next().map(AlignStep::id).orElse(""),
                can.generator(),
                can.meter(),
                can.turns());
    }

    private static ReceiverView receiver(OpenSet set, Alignment alignment) {
        Optional<ReceiverSaid> said = alignment.receiver();
        if (said.isPresent()) {
            ReceiverSaid known = said.get();
            return new ReceiverView(known.kind(), known.cans(), known.fmCans(), known.detector(), known.has(), true);
        }
        ReceiverChain chain =
                ReceiverChain.of(set.stored().deck(), set.set().tubes().data());
        boolean superhet = chain.superhet() || set.stored().deck().cards().isEmpty();
        return new ReceiverView(
                superhet ? ReceiverSaid.Kind.SUPERHET : ReceiverSaid.Kind.TRF,
                chain.cans().isEmpty() ? 2 : chain.cans().size(),
                0,
                ReceiverSaid.Detector.NONE,
                Set.of(),
                false);
    }

    private static AlignStepView step(Alignment alignment, AlignStep step) {
        Optional<Aligned> done = alignment.done(step.id()).map(Standing::fact);
        return new AlignStepView(
                step.id(),
                step.part(),
                step.part().label(),
                step.title(),
                step.band(),
                step.feed(),
                step.feed().where(),
                step.feed().through(),
                step.hertz().isPresent() ? step.hertz().getAsDouble() : null,
                step.hertz().isPresent() ? step.signal().label() : "",
                step.volts().isPresent() ? Math.rint(1e9 * step.volts().getAsDouble()) / 1000 : null,
                step.dialWords(),
                step.cores(),
                step.aim(),
                step.aim().label(),
                step.read(),
                step.readAt(),
                step.unit(),
                step.expect(),
                step.why(),
                step.feed().clips(),
                step.backTo().orElse(""),
                step.backTo()
                        .flatMap(alignment.plan()::step)
                        .map(AlignStep::title)
                        .orElse(""),
                done.isPresent(),
                done.flatMap(Aligned::before).orElse(null),
                done.flatMap(Aligned::after).orElse(null),
                done.map(Aligned::note).orElse(""));
    }

    /** Of a chain whose frequency nobody knows, what it may have been meant for. */
    private static List<String> says(CurveRead read, ResponseCurve curve) {
        return read.wanted() > 0
                ? curve.says()
                : Stream.concat(curve.says().stream(), IntermediateFrequency.swept(curve).says().stream())
                        .toList();
    }

    private static AlignCurve curve(Standing<CurveRead> standing) {
        CurveRead read = standing.fact();
        List<AlignPoint> points = read.points().stream()
                .map(p -> new AlignPoint(p.hertz(), p.value()))
                .toList();
        try {
            if (read.sort() == CurveRead.Sort.DETECTOR) {
                SCurve s = Alignment.s(read);
                return new AlignCurve(
                        read.name(),
                        read.sort(),
                        read.wanted(),
                        points,
                        s.zero().isPresent() ? s.zero().getAsDouble() : null,
                        s.high().hertz() - s.low().hertz(),
                        null,
                        s.right(),
                        s.says(),
                        "",
                        standing.at());
            }
            ResponseCurve curve = Alignment.response(read);
            return new AlignCurve(
                    read.name(),
                    read.sort(),
                    read.wanted(),
                    points,
                    curve.centre(),
                    curve.width().isPresent() ? curve.width().getAsDouble() : null,
                    curve.quality().isPresent() ? curve.quality().getAsDouble() : null,
                    Alignment.centred(curve, read.wanted()),
                    says(read, curve),
                    "",
                    standing.at());
        } catch (InvalidEntry notACurve) {
            return new AlignCurve(
                    read.name(),
                    read.sort(),
                    read.wanted(),
                    points,
                    null,
                    null,
                    null,
                    false,
                    List.of(),
                    notACurve.getMessage(),
                    standing.at());
        }
    }
}
