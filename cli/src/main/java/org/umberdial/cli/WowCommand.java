package org.umberdial.cli;

import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.umberdial.core.sound.Heard;
import org.umberdial.core.sound.SoundFile;
import org.umberdial.core.sound.SpeedLine;
import org.umberdial.core.sound.ToneSpeed;
import org.umberdial.core.value.InvalidEntry;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code quantity,value,unit}, then {@code line,hertz,percent} for each line of the variation. */
@Command(
        name = "wow",
        mixinStandardHelpOptions = true,
        description = {
            "Speed, wow and flutter of a recorded test tone (WAV or FLAC), as CSV quantity,value,unit;",
            "then a row line,HERTZ,PERCENT for each line of the speed's variation, the largest first."
        })
final class WowCommand implements Callable<Integer> {
    @Parameters(paramLabel = "FILE", description = "the sound, WAV or FLAC")
    private Path file;

    @Option(names = "--tone", paramLabel = "HERTZ", description = "frequency of the tone; 3150 unless said")
    private double tone = 3150;

    @Option(
            names = "--speed",
            paramLabel = "RPM",
            description = "speed the record is made for; the speed it had is then told as well")
    private Double speed;

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        if (speed != null && !(speed >= 1 && speed <= 500)) {
            throw new Refused("--speed is " + speed + "; enter turns a minute, as in 33.33.", Umber.BAD_INPUT);
        }
        Heard heard = heard();
        if (heard instanceof Heard.Refused refused) {
            throw new Refused(refused.sentence(), Umber.NO_ANSWER);
        }
        print(heard.measured().orElseThrow());
        return 0;
    }

    private Heard heard() {
        try (InputStream in = Files.newInputStream(file)) {
            return SoundFile.follow(in, tone);
        } catch (InvalidEntry wrong) {
            throw new Refused(wrong.getMessage(), Umber.BAD_INPUT);
        } catch (IOException e) {
            throw new Refused(file + " cannot be read; check its name.", Umber.BAD_INPUT);
        }
    }

    private void print(ToneSpeed measured) {
        StringBuilder out = new StringBuilder("quantity,value,unit\n");
        row(out, "mean_hertz", measured.meanHertz(), "Hz");
        if (speed != null) {
            row(out, "speed", speed * measured.meanHertz() / measured.tone(), "1/min");
        }
        row(out, "speed_error", measured.speedErrorPercent(), "%");
        row(out, "wow_flutter_weighted", measured.weightedPercent(), "%");
        row(out, "wow_flutter_rms", measured.rmsPercent(), "%");
        row(out, "drift", measured.driftPercent(), "%");
        for (SpeedLine line : measured.lines()) {
            out.append(String.format(Locale.ROOT, "line,%.4f,%.4f%n", line.hertz(), line.percent()));
        }
        command.commandLine().getOut().print(out);
        command.commandLine().getOut().flush();
        if (measured.clicks() > 0) {
            command.commandLine()
                    .getErr()
                    .println("umber: " + measured.clicks() + (measured.clicks() == 1 ? " click was" : " clicks were")
                            + " passed over.");
        }
    }

    private static void row(StringBuilder out, String quantity, double value, String unit) {
        out.append(String.format(Locale.ROOT, "%s,%.4f,%s%n", quantity, value, unit));
    }
}
