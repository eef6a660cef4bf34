package org.umberdial.cli;

import java.util.Locale;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.value.SpreadsheetCell;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** {@code node,ohms} of the cold set, unplugged. */
@Command(
        name = "ohms",
        mixinStandardHelpOptions = true,
        description = "Resistance of every node to one of them, cold and unplugged.")
final class OhmsCommand implements Callable<Integer> {
    @Mixin
    private DeckFile file;

    @Option(names = "--from", paramLabel = "NODE", description = "the other lead's node, 0 unless said")
    private String from = "0";

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        Network network = file.network();
        String reference = from.toLowerCase(Locale.ROOT).replaceFirst("^gnd$", "0");
        if (network.node(reference).isEmpty()) {
            throw new Refused(
                    "--from " + from + " is no node of the deck; its nodes are "
                            + String.join(", ", network.names().subList(0, Math.min(network.namedNodes(), 20)))
                            + (network.namedNodes() > 20 ? ", ..." : "") + ".",
                    Umber.BAD_INPUT);
        }
        StringBuilder out = new StringBuilder("node,ohms\n");
        new ColdOhms(Values.nominal(network)).chart(reference).forEach((node, ohms) -> {
            if (!node.equals(reference)) {
                out.append(SpreadsheetCell.written(node))
                        .append(',')
                        .append(DeckFile.number(ohms))
                        .append('\n');
            }
        });
        command.commandLine().getOut().print(out);
        command.commandLine().getOut().flush();
        return 0;
    }
}
