package org.umberdial.cli;

import java.util.List;
import java.util.concurrent.Callable;
import org.umberdial.core.player.Flashes;
import org.umberdial.core.player.StrobeDisc;
import org.umberdial.core.value.InvalidEntry;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** A strobe disc as SVG. */
@Command(name = "strobe", mixinStandardHelpOptions = true, description = "A strobe disc to print, as SVG in true size.")
final class StrobeCommand implements Callable<Integer> {
    @Option(
            names = "--hz",
            paramLabel = "HERTZ",
            required = true,
            description = "frequency of what feeds the lamp, or with --lamp STATED its flashes a second")
    private double hertz;

    @Option(
            names = "--speeds",
            paramLabel = "RPM,...",
            required = true,
            split = ",",
            description = "one to eight speeds")
    private List<Double> speeds;

    @Option(
            names = "--lamp",
            paramLabel = "LINE|HALF_WAVE|STATED",
            description = {
                "LINE: a lamp that flashes twice a period; HALF_WAVE: one that conducts one way; STATED: --hz are",
                "its flashes. LINE unless said"
            })
    private Flashes.Lamp lamp = Flashes.Lamp.LINE;

    @Mixin
    private SvgFile file;

    @Override
    public Integer call() {
        String svg;
        try {
            svg = StrobeDisc.of(Flashes.of(lamp, hertz), speeds).svg();
        } catch (InvalidEntry wrong) {
            throw new Refused(wrong.getMessage(), Umber.BAD_INPUT);
        }
        file.write(svg);
        return 0;
    }
}
