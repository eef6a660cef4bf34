package org.umberdial.cli;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.MeterReadings;
import org.umberdial.core.circuit.work.NotSettled;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.circuit.work.Outcome;
import org.umberdial.core.circuit.work.Ripple;
import org.umberdial.core.circuit.work.WorkBudget;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.SpreadsheetCell;
import org.umberdial.core.value.Volts;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code node,volts,ac_volts,reads,source_ohms} of the running set. */
@Command(name = "solve", mixinStandardHelpOptions = true, description = "Voltages of the running set at every node.")
final class SolveCommand implements Callable<Integer> {
    /** Below this nobody calls it alternating. */
    private static final double SHOWN_AC_VOLTS = 0.01;

    @Mixin
    private DeckFile file;

    @Option(names = "--line", paramLabel = "V", description = "line volts RMS; the deck's unless said")
    private Optional<Double> line = Optional.empty();

    @Mixin
    private MeterOption meter;

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        Meter shown = meter.meter();
        Network network = file.network();
        Values values = file.values(network, line);
        AtWork work = new AtWork(network, WorkBudget.COMMAND_LINE);
        Outcome outcome = work.solve(values);
        if (outcome instanceof NotSettled failed) {
            throw new Refused(failed.reason(), Umber.NO_ANSWER);
        }
        OperatingPoint point = outcome.settled().orElseThrow();
        point.notes().forEach(note -> file.note(note.text()));
        Optional<Ripple> ripple = Ripple.of(work, values);
        MeterReadings readings = new MeterReadings(work, point);
        List<String> floating = point.floating();
        StringBuilder out = new StringBuilder("node,volts,ac_volts,reads,source_ohms\n");
        for (String node : network.names().subList(0, network.namedNodes())) {
            if (floating.contains(node)) {
                file.note(node + " has no path for direct current; its cells are empty.");
                out.append(SpreadsheetCell.written(node)).append(",,,,\n");
                continue;
            }
            double ac = ripple.map(found -> found.rms(node)).orElse(0.0);
            out.append(SpreadsheetCell.written(node))
                    .append(',')
                    .append(DeckFile.volts(point.volts(node).orElse(0)))
                    .append(',')
                    .append(ac < SHOWN_AC_VOLTS ? "" : DeckFile.number(ac))
                    .append(',')
                    .append(cell(readings.reads(
                            node,
                            volts -> shown.inputResistance(new Volts(volts)).value())))
                    .append(',')
                    .append(cell(readings.sourceOhms(node)))
                    .append('\n');
        }
        command.commandLine().getOut().print(out);
        command.commandLine().getOut().flush();
        return 0;
    }

    private static String cell(OptionalDouble value) {
        return value.isPresent() ? DeckFile.volts(value.getAsDouble()) : "";
    }
}
