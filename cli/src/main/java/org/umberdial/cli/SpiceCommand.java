package org.umberdial.cli;

import java.util.Optional;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.spice.SpiceExport;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** The deck with its models written out, for a stock SPICE-family simulator. */
@Command(
        name = "spice",
        mixinStandardHelpOptions = true,
        description = "The deck with every model written out, as a stock simulator runs it.")
final class SpiceCommand implements Callable<Integer> {
    @Mixin
    private DeckFile file;

    @Option(names = "--line", paramLabel = "V", description = "line volts RMS; the deck's unless said")
    private Optional<Double> line = Optional.empty();

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        command.commandLine().getOut().print(SpiceExport.write(file.deck(), file.values(file.network(), line)));
        command.commandLine().getOut().flush();
        return 0;
    }
}
