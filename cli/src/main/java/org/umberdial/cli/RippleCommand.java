package org.umberdial.cli;

import java.util.Optional;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.NotSettled;
import org.umberdial.core.circuit.work.Outcome;
import org.umberdial.core.circuit.work.Ripple;
import org.umberdial.core.circuit.work.WorkBudget;
import org.umberdial.core.value.SpreadsheetCell;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code node,ripple_pp,hertz}. */
@Command(
        name = "ripple",
        mixinStandardHelpOptions = true,
        description = "What alternates at every node: volts peak to peak and the strongest frequency.")
final class RippleCommand implements Callable<Integer> {
    /** Below this only rounding alternates [V]. */
    private static final double LEAST_VOLTS = 1e-6;

    @Mixin
    private DeckFile file;

    @Option(names = "--line", paramLabel = "V", description = "line volts RMS; the deck's unless said")
    private Optional<Double> line = Optional.empty();

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        Network network = file.network();
        if (network.line().isEmpty()) {
            throw new Refused(
                    "the deck has no line, so nothing alternates; write it as VLINE a b SIN(0 peak hertz).",
                    Umber.BAD_INPUT);
        }
        Values values = file.values(network, line);
        AtWork work = new AtWork(network, WorkBudget.COMMAND_LINE);
        Outcome outcome = work.solve(values);
        if (outcome instanceof NotSettled failed) {
            throw new Refused(failed.reason(), Umber.NO_ANSWER);
        }
        outcome.settled().orElseThrow().notes().forEach(note -> file.note(note.text()));
        Ripple ripple = Ripple.of(work, values).orElseThrow();
        StringBuilder out = new StringBuilder("node,ripple_pp,hertz\n");
        for (String node : network.names().subList(0, network.namedNodes())) {
            double volts = ripple.peakToPeak(node);
            boolean still = volts < LEAST_VOLTS;
            out.append(SpreadsheetCell.written(node))
                    .append(',')
                    .append(still ? "0" : DeckFile.number(volts))
                    .append(',')
                    .append(still ? "0" : DeckFile.number(ripple.hertz(node)))
                    .append('\n');
        }
        command.commandLine().getOut().print(out);
        command.commandLine().getOut().flush();
        return 0;
    }
}
