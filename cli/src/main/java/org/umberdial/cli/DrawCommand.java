package org.umberdial.cli;

import java.util.List;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.drawing.Drawing;
import org.umberdial.core.drawing.Gate;
import org.umberdial.core.drawing.Schematic;
import org.umberdial.core.drawing.Svg;
import org.umberdial.core.tube.TubeData;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** The schematic of a deck as SVG. */
@Command(name = "draw", mixinStandardHelpOptions = true, description = "The schematic of a deck, as SVG.")
final class DrawCommand implements Callable<Integer> {
    @Mixin
    private DeckFile file;

    @Mixin
    private SvgFile written;

    @Option(names = "--symbols", paramLabel = "IEC|ANSI", description = "ANSI unless said")
    private String symbols = "ANSI";

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
        written.write(svg);
        return 0;
    }
}
