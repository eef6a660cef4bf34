package org.umberdial.cli;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.LineSchedule;
import org.umberdial.core.circuit.work.WarmUp;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.SpreadsheetCell;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** The time series of a set from switching on. */
@Command(
        name = "warmup",
        mixinStandardHelpOptions = true,
        description = "What the set does from switching on, every quarter of a second.")
final class WarmUpCommand implements Callable<Integer> {
    private static final double ORDINARY_SECONDS = 120;
    private static final double MOST_SECONDS = 7200;

    @Mixin
    private DeckFile file;

    @Option(
            names = "--lamp",
            paramLabel = "STEPS",
            description = "lamps in series, as in 60W:40,60W+60W:40,bypass:60 (seconds each)")
    private Optional<String> lamp = Optional.empty();

    @Option(
            names = "--ramp",
            paramLabel = "V:S,...",
            description = "variable transformer: volts, each reached over its seconds, as in 40:30,117:60")
    private Optional<String> ramp = Optional.empty();

    @Option(names = "--line", paramLabel = "V", description = "line volts RMS without a ramp; the deck's unless said")
    private Optional<Double> line = Optional.empty();

    @Option(
            names = "--seconds",
            paramLabel = "N",
            description = "how long, 120 or the length of the schedule unless said")
    private Optional<Double> seconds = Optional.empty();

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        Network network = file.network();
        if (network.line().isEmpty()) {
            throw new Refused(
                    "the deck has no line to switch on; write it as VLINE a b SIN(0 peak hertz).", Umber.BAD_INPUT);
        }
        file.values(network, line);
        LineSchedule schedule = schedule(line.orElse(network.line().get().volts()));
        double length = seconds.orElse(schedule.seconds() > 0 ? schedule.seconds() : ORDINARY_SECONDS);
        if (!(length > 0) || length > MOST_SECONDS) {
            throw new Refused(
                    "--seconds " + length + " is out of range; give a number above 0 and up to " + (int) MOST_SECONDS
                            + ".",
                    Umber.BAD_INPUT);
        }
        List<String> points = file.deck().testPoints().stream()
                .filter(point -> network.node(point).isPresent())
                .toList();
        WarmUp.Course course = WarmUp.run(Values.nominal(network), schedule, points, length);
        course.notes().forEach(note -> file.note(note.text()));
        StringBuilder out = new StringBuilder("seconds,line_volts,set_volts,line_amps,lamp_watts");
        points.forEach(point -> out.append(',').append(SpreadsheetCell.written(point)));
        out.append('\n');
        for (WarmUp.Sample sample : course.samples()) {
            out.append(String.format(
                    Locale.ROOT,
                    "%.2f,%.3f,%.3f,%.5f,%.3f",
                    sample.seconds(),
                    sample.lineVolts(),
                    sample.setVolts(),
                    sample.lineAmperes(),
                    sample.lampWatts()));
            for (double volts : sample.points()) {
                out.append(String.format(Locale.ROOT, ",%.3f", volts + 0.0));
            }
            out.append('\n');
        }
        command.commandLine().getOut().print(out);
        command.commandLine().getOut().flush();
        course.failure().ifPresent(failure -> {
            throw new Refused(failure.reason() + " The series ends there.", Umber.NO_ANSWER);
        });
        return 0;
    }

    private LineSchedule schedule(double volts) {
        try {
            return new LineSchedule(
                    ramp.map(LineSchedule::ramp)
                            .orElse(LineSchedule.straight(volts).ramp()),
                    lamp.map(LineSchedule::lamps).orElse(List.of()));
        } catch (InvalidEntry refused) {
            throw new Refused(refused.getMessage(), Umber.BAD_INPUT);
        }
    }
}
