package org.umberdial.core.expect;

import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;
import org.umberdial.core.circuit.linear.LinearNetwork;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.Volts;

/**
 * By the service sheet alone. Deviations from it obey G δ = δi, with the resistors, the tube slopes (rp and gm of the
 * type's main published point) and the rectifier's regulation in G.
 */
public final class OnSheet implements Reference {
    /** What the poorest meters of the trade had. */
    private static final Meter WORST_METER = Meter.parse("1k/V");

    /** Full-load sag of an ordinary capacitor-input supply, as a part of its voltage; only the order matters. */
    private static final double SUPPLY_REGULATION = 0.15;

    /** Total current when the sheet gives no drop to reckon it from. */
    private static final double USUAL_SUPPLY_AMPERES = 0.05;

    /** Below this a sheet value tells more about the meter than about the circuit [V]. */
    private static final double TELLING_VOLTS = 5;

    /** A circuit bears a sheet value out when it comes this near, as a part of it. */
    private static final double BORNE_OUT = 0.25;

    /** The share of sheet values that has to be borne out. */
    private static final double MOST = 0.7;

    /** A battery or bench supply; not ideal, so that two in parallel are no contradiction. */
    private static final double CELL_OHMS = 0.01;

    /** Current follows V^1.5 in a space-charge-limited tube, so a screen's slope resistance is V / (1.5 I). */
    private static final double SPACE_CHARGE_POWER = 1.5;

    private final BenchSet set;
    private final String mode;
    private final Topology topology;
    private final LinearNetwork.Solution slopes;
    private final Map<String, Double> sheetVolts;
    private final Map<String, Double> fixedVolts;
    private final OptionalDouble line;

    OnSheet(BenchSet set, String mode, Topology topology) {
        this.set = set;
        this.mode = mode;
        this.topology = topology;
        Map<String, Double> shown = new HashMap<>();
        sheetRows().forEach(value -> shown.putIfAbsent(value.node(), value.value()));
        this.slopes = slopes(shown);
        this.sheetVolts = new HashMap<>();
        for (SheetValue value : sheetRows().toList()) {
            double source = slopes.sourceOhms(value.node(), "0");
            Volts open = value.meter()
                    .filter(meter -> Double.isFinite(source))
                    .map(meter -> meter.unloaded(new Volts(value.value()), new Ohms(Math.max(0, source))))
                    .orElse(new Volts(value.value()));
            sheetVolts.putIfAbsent(value.node(), open.value());
        }
        this.fixedVolts = derivedVolts();
        this.line = sheetRows().mapToDouble(SheetValue::lineVolts).findFirst();
    }

    private OnSheet(OnSheet other, double line) {
        this.set = other.set;
        this.mode = other.mode;
        this.topology = other.topology;
        this.slopes = other.slopes;
        this.sheetVolts = other.sheetVolts;
        this.fixedVolts = other.fixedVolts;
        this.line = other.line.isPresent() ? other.line : OptionalDouble.of(line);
    }

    /** The same, on the line the circuit is drawn for when the sheet names none. */
    OnSheet onLineOf(double circuitLine) {
        return new OnSheet(this, circuitLine);
    }

    /**
     * Whether the circuit as entered gives most of what the sheet says. When it does not, parts of it are missing or
     * wrong, and the sheet is the better witness.
     */
    boolean isBorneOutBy(HealthySet whole) {
        long told = 0;
        long borne = 0;
        for (SheetValue value : sheetRows().toList()) {
            double stands = sheetVolts.getOrDefault(value.node(), 0.0);
            if (Math.abs(stands) > TELLING_VOLTS) {
                told++;
                OptionalDouble found = whole.volts(value.node(), value.lineVolts());
                borne += found.isPresent() && Math.abs(found.getAsDouble() - stands) < BORNE_OUT * Math.abs(stands)
                        ? 1
                        : 0;
            }
        }
        return borne >= MOST * told;
    }

    @Override
    public OptionalDouble line() {
        return line;
    }

    @Override
    public OptionalDouble volts(String node, double lineVolts) {
        if (node.equals("0")) {
            return OptionalDouble.of(0);
        }
        Double volts = sheetVolts.getOrDefault(node, fixedVolts.get(node));
        if (volts == null || line.isEmpty()) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(topology.isSupplyFed(node) ? volts * lineVolts / line.getAsDouble() : volts);
    }

    @Override
    public OptionalDouble shown(String node, double lineVolts, Optional<Meter> meter) {
        OptionalDouble open = volts(node, lineVolts);
        return open.isEmpty() || meter.isEmpty()
                ? open
                : OptionalDouble.of(meter.get()
                        .reads(new Volts(open.getAsDouble()), source(node, "0"))
                        .value());
    }

    @Override
    public Optional<double[]> unknownLoading(String node, double lineVolts, Optional<Meter> meter) {
        if (line.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble least = shown(node, lineVolts, meter);
        Ohms source = source(node, "0");
        return sheetRows()
                .filter(value -> value.node().equals(node) && value.meter().isEmpty())
                .findFirst()
                .filter(value -> least.isPresent() && source.value() > 0)
                .map(value -> {
                    double open = WORST_METER
                                    .unloaded(new Volts(value.value()), source)
                                    .value()
                            * (topology.isSupplyFed(node) ? lineVolts / line.getAsDouble() : 1);
                    double most = meter.map(
                                    m -> m.reads(new Volts(open), source).value())
                            .orElse(open);
                    return new double[] {Math.min(least.getAsDouble(), most), Math.max(least.getAsDouble(), most)};
                });
    }

    @Override
    public Ohms source(String node, String reference) {
        double ohms = slopes.sourceOhms(node, reference);
        return new Ohms(Double.isFinite(ohms) ? Math.max(0, ohms) : 0);
    }

    @Override
    public double transferOhms(String seen, String driven) {
        return slopes.transferOhms(seen, driven);
    }

    private Stream<SheetValue> sheetRows() {
        return set.sheet().stream()
                .filter(value -> value.kind() == ReadingKind.DC
                        && value.reference().equals("0")
                        && (value.mode().isEmpty()
                                || mode.isEmpty()
                                || value.mode().equalsIgnoreCase(mode)));
    }

    private LinearNetwork.Solution slopes(Map<String, Double> shown) {
        LinearNetwork network = new LinearNetwork();
        set.testPoints().forEach(point -> network.node(point.node()));
        topology.paths().paths.forEach(path -> network.resistor(path.a(), path.b(), path.ohms()));
        topology.paths()
                .cells
                .forEach(cell ->
                        network.resistor(cell.nodes().get(0), cell.nodes().get(1), CELL_OHMS));
        for (DcPaths.Stage stage : topology.paths().stages) {
            stampStage(network, stage, shown);
        }
        for (DcPaths.Rectifier rectifier : topology.paths().rectifiers) {
            double volts = Math.max(
                    1, Math.abs(shown.getOrDefault(rectifier.cathode(), shown.getOrDefault(rectifier.anode(), 100.0))));
            double amperes = drawn(rectifier.cathode(), shown).orElse(USUAL_SUPPLY_AMPERES);
            network.resistor(
                    rectifier.anode(), rectifier.cathode(), SUPPLY_REGULATION * volts / Math.max(1e-3, amperes));
        }
        return network.solve();
    }

    private void stampStage(LinearNetwork network, DcPaths.Stage stage, Map<String, Double> shown) {
        Optional<TubePoint> point =
                set.tubes().data().mainPoint(stage.part().card().model(), stage.section());
        String plate = stage.nodes().get(Electrode.PLATE);
        String cathode = stage.nodes().get(Electrode.CATHODE);
        String grid = signalGrid(stage);
        point.map(TubePoint::plateOhms)
                .filter(OptionalDouble::isPresent)
                .ifPresent(ohms -> stampResistor(network, plate, cathode, ohms.getAsDouble()));
        point.map(TubePoint::transconductanceSiemens)
                .filter(OptionalDouble::isPresent)
                .ifPresent(gm -> {
                    network.transconductance(plate, cathode, grid, cathode, gm.getAsDouble());
                    stampScreen(network, stage, point.get(), gm.getAsDouble(), shown);
                });
    }

    /** The screen draws by its own slope, and follows the grid in the proportion of its current to the plate's. */
    private void stampScreen(
            LinearNetwork network, DcPaths.Stage stage, TubePoint point, double plateSlope, Map<String, Double> shown) {
        String screen = stage.nodes().get(Electrode.SCREEN);
        if (screen == null
                || point.screenAmperes().isEmpty()
                || point.screenVolts().isEmpty()) {
            return;
        }
        String cathode = stage.nodes().get(Electrode.CATHODE);
        String grid = signalGrid(stage);
        double published = point.screenVolts().getAsDouble();
        double volts = Math.max(5, shown.getOrDefault(screen, published));
        double amperes = point.screenAmperes().getAsDouble() * Math.pow(volts / published, SPACE_CHARGE_POWER);
        stampResistor(network, screen, cathode, volts / (SPACE_CHARGE_POWER * amperes));
        double share = point.plateAmperes().isPresent() && point.plateAmperes().getAsDouble() > 0
                ? point.screenAmperes().getAsDouble() / point.plateAmperes().getAsDouble()
                : 0.2;
        // A heptode's signal grid turns current over to the screen instead of drawing more of it.
        network.transconductance(
                screen, cathode, grid, cathode, plateSlope * (stage.section() == Section.HEPTODE ? -share / 4 : share));
        // The screen governs the plate current as it governs its own.
        network.transconductance(
                stage.nodes().get(Electrode.PLATE),
                cathode,
                screen,
                cathode,
                SPACE_CHARGE_POWER * amperes / volts / Math.max(0.05, share));
    }

    /** The grid that governs the plate: of a heptode the signal grid, since its first one oscillates. */
    private static String signalGrid(DcPaths.Stage stage) {
        return stage.nodes().get(stage.section() == Section.HEPTODE ? Electrode.GRID3 : Electrode.GRID);
    }

    private static void stampResistor(LinearNetwork network, String a, String b, double ohms) {
        if (ohms > 0 && !a.equals(b)) {
            network.resistor(a, b, ohms);
        }
    }

    /** Current the drops of the sheet say flows out of a node through its resistors [A]. */
    private OptionalDouble drawn(String node, Map<String, Double> shown) {
        Double volts = shown.get(node);
        double sum = 0;
        boolean found = false;
        for (DcPaths.Path path : topology.paths().paths) {
            boolean touches = path.a().equals(node) || path.b().equals(node);
            Double other = touches ? shown.get(path.other(node)) : null;
            if (volts != null && other != null && volts > other) {
                sum += (volts - other) / path.ohms();
                found = true;
            }
        }
        return found ? OptionalDouble.of(sum) : OptionalDouble.empty();
    }

    /** Nodes the sheet does not give, but which hang between given ones by resistors alone. */
    private Map<String, Double> derivedVolts() {
        Set<String> drawing = new HashSet<>();
        topology.paths()
                .stages
                .forEach(stage -> stage.nodes().forEach((electrode, node) -> {
                    if (electrode.carriesStageCurrent()) {
                        drawing.add(node);
                    }
                }));
        topology.paths()
                .rectifiers
                .forEach(rectifier -> drawing.addAll(List.of(rectifier.anode(), rectifier.cathode())));
        LinearNetwork network = new LinearNetwork();
        topology.paths().paths.forEach(path -> network.resistor(path.a(), path.b(), path.ohms()));
        sheetVolts.forEach((node, volts) -> network.voltageSource(node, "0", volts));
        LinearNetwork.Solution solution = network.solve();
        Map<String, Double> derived = new HashMap<>();
        for (DcPaths.Path path : topology.paths().paths) {
            for (String node : List.of(path.a(), path.b())) {
                if (!sheetVolts.containsKey(node)
                        && !node.equals("0")
                        && solution.isGrounded(node)
                        && !reaches(node, drawing)) {
                    derived.put(node, solution.volts(node));
                }
            }
        }
        return derived;
    }

    /** Whether a node can reach one of the targets over resistors without crossing a node the sheet gives. */
    private boolean reaches(String start, Set<String> targets) {
        Set<String> seen = new HashSet<>(Set.of(start));
        Deque<String> open = new ArrayDeque<>(seen);
        while (!open.isEmpty()) {
            String node = open.pop();
            if (targets.contains(node)) {
                return true;
            }
            for (DcPaths.Path path : topology.pathsAt(node)) {
                String next = path.other(node);
                if (!next.equals("0") && !sheetVolts.containsKey(next) && seen.add(next)) {
                    open.push(next);
                }
            }
        }
        return false;
    }
}
