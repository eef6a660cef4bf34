package org.umberdial.cli;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.value.SpreadsheetCell;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code type,class,heater_V,heater_A,base,known,confidence}, or all that is known of one type. */
@Command(
        name = "tubes",
        mixinStandardHelpOptions = true,
        description = "What is known of tube types: all in a line each, or one with its pins and published points.")
final class TubesCommand implements Callable<Integer> {
    @Parameters(index = "0", arity = "0..1", paramLabel = "NAME", description = "a type by any name it goes by")
    private Optional<String> name = Optional.empty();

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        StringBuilder out = new StringBuilder();
        if (name.isPresent()) {
            one(name.get(), out);
        } else {
            out.append("type,class,heater_V,heater_A,base,known,confidence\n");
            Map<String, TubeType> sorted = new TreeMap<>();
            TubeData.shipped().types().forEach(type -> sorted.put(type.name(), type));
            sorted.values().forEach(type -> row(type, out));
        }
        command.commandLine().getOut().print(out);
        command.commandLine().getOut().flush();
        return 0;
    }

    private static void row(TubeType type, StringBuilder out) {
        out.append(String.join(
                        ",",
                        SpreadsheetCell.written(type.name()),
                        type.use().label().replace(",", ""),
                        number(type.heaterVolts()),
                        number(type.heaterAmperes()),
                        SpreadsheetCell.written(type.base()),
                        type.hasLaw() ? "currents" : "pins and heater",
                        type.confidence().name().toLowerCase(Locale.ROOT)))
                .append('\n');
    }

    private static void one(String asked, StringBuilder out) {
        TubeType type = TubeData.shipped()
                .type(asked)
                .orElseThrow(() -> new Refused(
                        asked + " is not in the tube data, by that name or another; look at ./umber tubes, or bring it"
                                + " with --tubes FILE.",
                        Umber.NO_ANSWER));
        out.append("what,value\n");
        line(out, "type", type.name());
        line(out, "class", type.use().label());
        line(out, "heater_V", number(type.heaterVolts()));
        line(out, "heater_A", number(type.heaterAmperes()));
        line(out, "base", type.base());
        line(out, "pins", type.pinout());
        line(out, "also", String.join(" ", type.sisters()));
        line(out, "known", type.hasLaw() ? "currents" : "pins and heater only");
        line(out, "confidence", type.confidence().name().toLowerCase(Locale.ROOT));
        line(out, "note", type.note());
        for (TubePoint point : type.points()) {
            if (!point.kind().equals("heater")) {
                line(out, point.kind() + " point " + point.number(), point(point));
            }
        }
    }

    private static String point(TubePoint point) {
        StringBuilder said = new StringBuilder();
        add(said, "Va", point.plateVolts(), 1, "V");
        add(said, "Vg2", point.screenVolts(), 1, "V");
        add(said, "Vg1", point.gridVolts(), 1, "V");
        add(said, "Ia", point.plateAmperes(), 1e3, "mA");
        add(said, "Ig2", point.screenAmperes(), 1e3, "mA");
        add(said, "gm", point.transconductanceSiemens(), 1e3, "mA/V");
        add(said, "rp", point.plateOhms(), 1e-3, "kohm");
        add(said, "mu", point.amplification(), 1, "");
        return said + point.confidence().name().toLowerCase(Locale.ROOT) + " confidence";
    }

    private static void add(StringBuilder said, String what, OptionalDouble value, double factor, String unit) {
        value.ifPresent(v -> said.append(what)
                .append(' ')
                .append(DeckFile.number(v * factor))
                .append(unit.isEmpty() ? "" : " " + unit)
                .append("; "));
    }

    private static void line(StringBuilder out, String what, String value) {
        if (!value.isEmpty()) {
            out.append(SpreadsheetCell.written(what))
                    .append(',')
                    .append(SpreadsheetCell.written(value))
                    .append('\n');
        }
    }

    private static String number(OptionalDouble value) {
        return value.isPresent() ? DeckFile.number(value.getAsDouble()) : "";
    }
}
