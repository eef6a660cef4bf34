package org.umberdial.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.drawing.Drawing;
import org.umberdial.core.drawing.Gate;
import org.umberdial.core.drawing.Schematic;
import org.umberdial.core.drawing.Svg;
import org.umberdial.core.tube.TubeData;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** The schematic of a deck as SVG. */
@Command(name = "draw", mixinStandardHelpOptions = true, description = "The schematic of a deck, as SVG.")
final class DrawCommand implements Callable<Integer> {
    @Mixin
    private DeckFile file;

    @Option(names = "--out", paramLabel = "FILE.svg", description = "file to write; standard output unless said")
    private Optional<Path> out = Optional.empty();

    @Option(names = "--symbols", paramLabel = "IEC|ANSI", description = "ANSI unless said")
    private String symbols = "ANSI";

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        if (!symbols.equalsIgnoreCase("IEC") && !symbols.equalsIgnoreCase("ANSI")) {
            throw new Refused("--symbols " + symbols + " is no standard here; write IEC or ANSI.", Umber.BAD_INPUT);
        }
        Deck deck = file.deck();
        if (deck.cards().isEmpty()) {
            throw new Refused("the deck holds no part; there is nothing to draw.", Umber.BAD_INPUT);
        }
        Drawing drawing = Schematic.draw(deck, TubeData.shipped());
        List<String> wrong = Gate.check(drawing, deck);
        if (!wrong.isEmpty()) {
            throw new Refused(
                    "the drawing does not show this deck (" + wrong.get(0) + "); it is not written.", Umber.NO_ANSWER);
        }
        String svg = Svg.write(drawing, deck.title(), symbols.equalsIgnoreCase("IEC"));
        if (out.isEmpty()) {
            command.commandLine().getOut().print(svg);
            command.commandLine().getOut().flush();
            return 0;
        }
        try {
            Files.writeString(out.get(), svg);
        } catch (IOException e) {
            throw new Refused(out.get() + " cannot be written; check that its directory is there.", Umber.BAD_INPUT);
        }
        return 0;
    }
}
