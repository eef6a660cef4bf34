package org.umberdial.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.diagnosis.Atlas;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.FaultMode;
import org.umberdial.core.diagnosis.Ranking;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.value.CsvLine;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.SpreadsheetCell;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code rank,faults,posterior} of what may be wrong, then {@code next,} and what to read next. */
@Command(
        name = "diagnose",
        mixinStandardHelpOptions = true,
        description = "Which part explains these readings, and what to read next.")
final class DiagnoseCommand implements Callable<Integer> {
    private static final int MOST_TOP = 100;
    private static final double MOST_VOLTS = 20_000;

    @Mixin
    private DeckFile file;

    @Parameters(
            index = "1",
            paramLabel = "READINGS",
            description = "CSV of node,volts as the meter showed them; a third cell ac or ohms says that it was that")
    private Path readings;

    @Option(names = "--line", paramLabel = "V", description = "line volts RMS; the deck's unless said")
    private Optional<Double> line = Optional.empty();

    @Mixin
    private MeterOption meter;

    @Option(names = "--top", paramLabel = "N", description = "how many suspects at most; 10 unless said")
    private int top = 10;

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        if (top < 1 || top > MOST_TOP) {
            throw new Refused(
                    "--top " + top + " is no number of suspects; give 1 to " + MOST_TOP + ".", Umber.BAD_INPUT);
        }
        Meter shown = meter.meter();
        Network network = file.network();
        file.values(network, line);
        Map<Spot, Double> read = read(network);
        List<String> points = new ArrayList<>(
                file.deck().testPoints().isEmpty()
                        ? network.names().subList(0, network.namedNodes())
                        : file.deck().testPoints());
        read.keySet().stream()
                .map(Spot::node)
                .filter(node -> !points.contains(node))
                .forEach(points::add);
        Atlas atlas = Atlas.of(
                        network,
                        CircuitImport.parts(file.deck()),
                        line.map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                        shown,
                        points,
                        read.keySet().stream().allMatch(spot -> spot.kind() == Spot.Kind.DC)
                                ? EnumSet.of(Spot.Kind.DC)
                                : EnumSet.allOf(Spot.Kind.class),
                        () -> false)
                .orElseThrow(() -> new Refused(
                        "the healthy circuit does not settle, so nothing can be compared with it; ./umber solve says at"
                                + " which node.",
                        Umber.NO_ANSWER));
        print(Ranking.ofAll(atlas, read, mode -> 1));
        return 0;
    }

    private void print(Diagnosis diagnosis) {
        StringBuilder out = new StringBuilder("rank,faults,posterior\n");
        int rank = 1;
        boolean healthySaid = false;
        for (Diagnosis.Suspect suspect : diagnosis.suspects()) {
            if (!healthySaid && diagnosis.healthy() >= suspect.posterior()) {
                out.append(row(rank++, "healthy within tolerance", diagnosis.healthy()));
                healthySaid = true;
            }
            if (rank > top) {
                break;
            }
            out.append(row(
                    rank++,
                    suspect.says()
                            + (suspect.alike().isEmpty()
                                    ? ""
                                    : " (or " + String.join(", ", suspect.alike())
                                            + ": nothing read here tells them apart)"),
                    suspect.posterior()));
        }
        if (!healthySaid && rank <= top) {
            out.append(row(rank, "healthy within tolerance", diagnosis.healthy()));
        }
        out.append(diagnosis
                .next()
                .map(probe -> probe.spot()
                        .map(spot -> "next," + SpreadsheetCell.written(spot.toString()) + ",")
                        .orElseGet(() -> "next,test " + SpreadsheetCell.written(probe.part()) + ","))
                .orElse("next,,"));
        out.append(diagnosis
                        .next()
                        .map(probe -> String.format(Locale.ROOT, "%.2f", probe.bits()))
                        .orElse(""))
                .append('\n');
        if (diagnosis.unknown() > diagnosis.healthy()
                && diagnosis.suspects().stream().allMatch(s -> s.posterior() < diagnosis.unknown())) {
            file.note(
                    "no single fault that was reckoned explains these readings: two at once, a wrong wire, or a part that"
                            + " is not in the deck. The ranks below are only the nearest.");
        }
        if (!diagnosis.passedOver().isEmpty()) {
            file.note("left out, since the healthy circuit has nothing to compare them with: "
                    + diagnosis.passedOver().stream().map(Spot::toString).collect(Collectors.joining(", ")) + ".");
        }
        if (!diagnosis.unseen().isEmpty()) {
            file.note("no voltage at these points shows: "
                    + diagnosis.unseen().stream()
                            .map(mode -> mode.subject() + " " + mode.kind().label())
                            .distinct()
                            .collect(Collectors.joining(", "))
                    + ".");
        }
        if (!diagnosis.unsolved().isEmpty()) {
            file.note("not reckoned, since the circuit does not settle with them or is too large: "
                    + diagnosis.unsolved().stream()
                            .map(FaultMode::subject)
                            .distinct()
                            .collect(Collectors.joining(", "))
                    + ".");
        }
        PrintWriter printer = command.commandLine().getOut();
        printer.print(out);
        printer.flush();
    }

    private static String row(int rank, String faults, double posterior) {
        return rank + "," + SpreadsheetCell.written(faults) + "," + String.format(Locale.ROOT, "%.3f", posterior)
                + "\n";
    }

    private Map<Spot, Double> read(Network network) {
        Map<Spot, Double> read = new LinkedHashMap<>();
        int number = 0;
        for (String row : file.text(readings).lines().toList()) {
            number++;
            List<String> cells = CsvLine.split(row);
            if (row.isBlank() || number == 1 && cells.get(0).strip().equalsIgnoreCase("node")) {
                continue;
            }
            String where = readings.getFileName() + ", line " + number + ": ";
            if (cells.size() < 2) {
                throw new Refused(
                        where + "a reading is node,volts, as in bplus,112, or bplus,2.1,ac, or bplus,47k,ohms.",
                        Umber.BAD_INPUT);
            }
            String node = cells.get(0).strip().toLowerCase(Locale.ROOT);
            if (network.node(node).isEmpty()) {
                throw new Refused(
                        where + "the deck has no node “" + cells.get(0).strip() + "”.", Umber.BAD_INPUT);
            }
            Spot spot = new Spot(
                    node, kind(where, cells.size() < 3 ? "" : cells.get(2).strip()));
            if (read.put(spot, shown(where, spot, cells.get(1).strip())) != null) {
                throw new Refused(where + spot + " is there twice; leave the reading that counts.", Umber.BAD_INPUT);
            }
        }
        return read;
    }

    private static Spot.Kind kind(String where, String typed) {
        return switch (typed.toLowerCase(Locale.ROOT)) {
            case "", "dc" -> Spot.Kind.DC;
            case "ac" -> Spot.Kind.RIPPLE;
            case "ohms" -> Spot.Kind.OHMS;
            default ->
                throw new Refused(where + "“" + typed + "” is nothing that is read; dc, ac or ohms.", Umber.BAD_INPUT);
        };
    }

    /** Volts, or ohms; neither AC nor ohms below nothing. */
    private static double shown(String where, Spot spot, String typed) {
        boolean ohms = spot.kind() == Spot.Kind.OHMS;
        if (ohms && typed.matches("(?i)inf|open|ol|∞")) {
            return Double.POSITIVE_INFINITY;
        }
        double shown;
        try {
            shown = new ValueReader(DecimalSign.POINT)
                    .read(typed, ohms ? Unit.OHM : Unit.VOLT)
                    .value();
        } catch (InvalidEntry refused) {
            throw new Refused(where + refused.getMessage(), Umber.BAD_INPUT);
        }
        if (!ohms && Math.abs(shown) > MOST_VOLTS) {
            throw new Refused(
                    where + typed + " is more than a set has; give volts, as in 112 or 0.6.", Umber.BAD_INPUT);
        }
        if (spot.kind() != Spot.Kind.DC && shown < 0) {
            throw new Refused(where + typed + " has a sign; AC and ohms have none.", Umber.BAD_INPUT);
        }
        return shown;
    }
}
