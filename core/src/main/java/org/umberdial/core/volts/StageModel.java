package org.umberdial.core.volts;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.umberdial.core.circuit.linear.LinearNetwork;
import org.umberdial.core.circuit.work.OperatingPoint;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.Volts;

/**
 * The healthy set and its slopes, in one mode.
 *
 * <p>When the set's circuit is whole, both come from solving it ({@link HealthySet}). When it is not, the healthy set
 * is what the service sheet says, and deviations from it obey G δ = δi, with the resistors, the tube slopes (rp and gm
 * of the type's main published point) and the rectifier's regulation in G. Every voltage here is what stands at a node
 * with no meter connected, unless it says shown.
 */
public final class StageModel {
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
    private final DcPaths paths;
    private final LinearNetwork.Solution slopes;
    private final Map<String, Double> sheetVolts = new HashMap<>();
    private final Map<String, Double> fixedVolts;
    private final Set<String> supplyFed;
    private final OptionalDouble sheetLine;
    private final Optional<HealthySet> circuit;

    public StageModel(BenchSet set, String mode) {
        this.set = set;
        this.mode = mode;
        this.paths = new DcPaths(set, mode);
        Map<String, Double> shown = new HashMap<>();
        sheetRows().forEach(value -> shown.putIfAbsent(value.node(), value.value()));
        this.slopes = slopes(shown);
        for (SheetValue value : sheetRows().toList()) {
            double source = slopes.sourceOhms(value.node(), "0");
            Volts open = value.meter()
                    .filter(meter -> Double.isFinite(source))
                    .map(meter -> meter.unloaded(new Volts(value.value()), new Ohms(Math.max(0, source))))
                    .orElse(new Volts(value.value()));
            sheetVolts.putIfAbsent(value.node(), open.value());
        }
        this.fixedVolts = derivedVolts();
        this.supplyFed = supplyFed();
        Optional<HealthySet> whole = HealthySet.of(set, mode);
        OptionalDouble onSheet = sheetRows().mapToDouble(SheetValue::lineVolts).findFirst();
        this.sheetLine = onSheet.isPresent() || whole.isEmpty()
                ? onSheet
                : OptionalDouble.of(whole.get().nominalLine());
        this.circuit = whole.filter(this::bearsOutTheSheet);
        circuit.ifPresent(found -> found.prepare(
                set.testPoints().stream().map(point -> point.node()).toList()));
    }

    /**
     * Whether the circuit as entered gives most of what the sheet says. When it does not, parts of it are missing or
     * wrong, and the sheet is the better witness.
     */
    private boolean bearsOutTheSheet(HealthySet whole) {
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

    /** The healthy circuit at its own line; empty when expected voltages come from the sheet. */
    Optional<OperatingPoint> solvedPoint() {
        return circuit.flatMap(found -> found.point(found.nominalLine()));
    }

    /** Whether expected voltages come from the circuit itself and not from the sheet. */
    public boolean isSolved() {
        return circuit.isPresent();
    }

    /** What the solved circuit shows on a meter at a node; empty when expected voltages come from the sheet. */
    OptionalDouble solvedShown(String node, double lineVolts, Optional<Meter> meter) {
        if (circuit.isEmpty() || !circuit.get().knows(node)) {
            return OptionalDouble.empty();
        }
        return meter.isPresent()
                ? circuit.get().shown(node, lineVolts, meter.get())
                : circuit.get().volts(node, lineVolts);
    }

    /** What a meter shows at a node of the healthy set against the reference. */
    OptionalDouble healthyShown(String node, double lineVolts, Optional<Meter> meter) {
        OptionalDouble solved = solvedShown(node, lineVolts, meter);
        OptionalDouble open = healthyVolts(node, lineVolts);
        if (solved.isPresent() || open.isEmpty() || meter.isEmpty()) {
            return solved.isPresent() ? solved : open;
        }
        return OptionalDouble.of(meter.get()
                .reads(new Volts(open.getAsDouble()), sourceResistance(node, "0"))
                .value());
    }

    /**
     * The least and the most a meter may show at a node whose sheet does not name its meter: with the sheet's meter
     * taken as loading nothing, and as the worst that was in use. Empty where the sheet names its meter, or the circuit
     * itself tells.
     */
    Optional<double[]> unknownLoading(String node, double lineVolts, Optional<Meter> meter) {
        if (solvedShown(node, lineVolts, meter).isPresent() || sheetLine.isEmpty()) {
            return Optional.empty();
        }
        OptionalDouble least = healthyShown(node, lineVolts, meter);
        Ohms source = sourceResistance(node, "0");
        return sheetRows()
                .filter(value -> value.node().equals(node) && value.meter().isEmpty())
                .findFirst()
                .filter(value -> least.isPresent() && source.value() > 0)
                .map(value -> {
                    double open = WORST_METER
                                    .unloaded(new Volts(value.value()), source)
                                    .value()
                            * (isSupplyFed(node) ? lineVolts / sheetLine.getAsDouble() : 1);
                    double most = meter.map(
                                    m -> m.reads(new Volts(open), source).value())
                            .orElse(open);
                    return new double[] {Math.min(least.getAsDouble(), most), Math.max(least.getAsDouble(), most)};
                });
    }

    private java.util.stream.Stream<SheetValue> sheetRows() {
        return set.sheet().stream()
                .filter(value -> value.kind() == ReadingKind.DC
                        && value.reference().equals("0")
                        && (value.mode().isEmpty()
                                || mode.isEmpty()
                                || value.mode().equalsIgnoreCase(mode)));
    }

    DcPaths paths() {
        return paths;
    }

    BenchSet set() {
        return set;
    }

    /** Line voltage of the sheet's DC values; empty when the sheet has none. */
    public OptionalDouble sheetLine() {
        return sheetLine;
    }

    /**
     * What stands at a node of a healthy set on this line, no meter connected; empty when neither the sheet nor the
     * resistors between sheet values tell.
     */
    public OptionalDouble healthyVolts(String node, double lineVolts) {
        if (node.equals("0")) {
            return OptionalDouble.of(0);
        }
        OptionalDouble solved = solvedShown(node, lineVolts, Optional.empty());
        if (solved.isPresent()) {
            return solved;
        }
        Double volts = sheetVolts.getOrDefault(node, fixedVolts.get(node));
        if (volts == null || sheetLine.isEmpty()) {
            return OptionalDouble.empty();
        }
        return OptionalDouble.of(isSupplyFed(node) ? volts * lineVolts / sheetLine.getAsDouble() : volts);
    }

    /** Whether the sheet itself gives the node, rather than the resistors around it. */
    public boolean isOnSheet(String node) {
        return sheetVolts.containsKey(node);
    }

    public boolean isSupplyFed(String node) {
        return supplyFed.contains(node);
    }

    /**
     * Resistance a meter sees between two nodes [Ω]; 0 where the network does not reach (then nothing is corrected).
     */
    public Ohms sourceResistance(String node, String reference) {
        double ohms = solvedTransfer(node, node).isPresent()
                ? transferOhms(node, node)
                        - transferOhms(node, reference)
                        - transferOhms(reference, node)
                        + transferOhms(reference, reference)
                : slopes.sourceOhms(node, reference);
        return new Ohms(Double.isFinite(ohms) ? Math.max(0, ohms) : 0);
    }

    /** Volts at {@code seen} per ampere flowing through an added branch from {@code from} into {@code into} [Ω]. */
    double responseOhms(String seen, String from, String into) {
        return transferOhms(seen, into) - transferOhms(seen, from);
    }

    /** Volts at {@code seen} per ampere fed into {@code driven} [Ω]; 0 where nothing leads. */
    double transferOhms(String seen, String driven) {
        return solvedTransfer(seen, driven)
                .orElseGet(() -> circuit.isPresent() ? 0 : slopes.transferOhms(seen, driven));
    }

    private OptionalDouble solvedTransfer(String seen, String driven) {
        return circuit.map(found -> found.transferOhms(seen, driven)).orElse(OptionalDouble.empty());
    }

    private LinearNetwork.Solution slopes(Map<String, Double> shown) {
        LinearNetwork network = new LinearNetwork();
        set.testPoints().forEach(point -> network.node(point.node()));
        paths.paths.forEach(path -> network.resistor(path.a(), path.b(), path.ohms()));
        paths.cells.forEach(
                cell -> network.resistor(cell.nodes().get(0), cell.nodes().get(1), CELL_OHMS));
        for (DcPaths.Stage stage : paths.stages) {
            stampStage(network, stage, shown);
        }
        for (DcPaths.Rectifier rectifier : paths.rectifiers) {
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
                TubeData.shipped().mainPoint(stage.part().card().model(), stage.section());
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
        for (DcPaths.Path path : paths.paths) {
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
        paths.stages.forEach(stage -> stage.nodes().forEach((electrode, node) -> {
            if (electrode.carriesStageCurrent()) {
                drawing.add(node);
            }
        }));
        paths.rectifiers.forEach(rectifier -> drawing.addAll(List.of(rectifier.anode(), rectifier.cathode())));
        LinearNetwork network = new LinearNetwork();
        paths.paths.forEach(path -> network.resistor(path.a(), path.b(), path.ohms()));
        sheetVolts.forEach((node, volts) -> network.voltageSource(node, "0", volts));
        LinearNetwork.Solution solution = network.solve();
        Map<String, Double> derived = new HashMap<>();
        for (DcPaths.Path path : paths.paths) {
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
            for (DcPaths.Path path : pathsAt(node)) {
                String next = path.other(node);
                if (!next.equals("0") && !sheetVolts.containsKey(next) && seen.add(next)) {
                    open.push(next);
                }
            }
        }
        return false;
    }

    List<DcPaths.Path> pathsAt(String node) {
        return paths.paths.stream()
                .filter(path -> path.a().equals(node) || path.b().equals(node))
                .toList();
    }

    /** Nodes whose voltage comes from the supply: joined by DC paths to a rectifier or to a tube's current. */
    private Set<String> supplyFed() {
        Set<String> fed = new HashSet<>();
        paths.rectifiers.forEach(rectifier -> fed.addAll(List.of(rectifier.anode(), rectifier.cathode())));
        paths.cells.forEach(cell -> fed.addAll(cell.nodes()));
        paths.stages.forEach(stage -> stage.nodes().forEach((electrode, node) -> {
            if (electrode.carriesStageCurrent()) {
                fed.add(node);
            }
        }));
        fed.remove("0");
        Deque<String> open = new ArrayDeque<>(fed);
        while (!open.isEmpty()) {
            String node = open.pop();
            for (DcPaths.Path path : pathsAt(node)) {
                String next = path.other(node);
                if (!next.equals("0") && fed.add(next)) {
                    open.push(next);
                }
            }
        }
        return fed;
    }

    /**
     * The control or signal grid that a node leads to over resistors alone, without meeting the supply or the
     * reference.
     */
    Optional<DcPaths.Stage> gridReachedFrom(String start) {
        for (String node : island(start)) {
            for (DcPaths.Stage stage : paths.stages) {
                if (stage.electrodeAt(node).filter(Electrode::isGrid).isPresent()) {
                    return Optional.of(stage);
                }
            }
        }
        return Optional.empty();
    }

    /** A node and all it is joined to over resistors, stopping at the reference and at whatever the supply feeds. */
    List<String> island(String start) {
        List<String> island = new ArrayList<>(List.of(start));
        for (int i = 0; i < island.size(); i++) {
            for (DcPaths.Path path : pathsAt(island.get(i))) {
                String next = path.other(island.get(i));
                if (!next.equals("0") && !isSupplyFed(next) && !island.contains(next)) {
                    island.add(next);
                }
            }
        }
        return island;
    }
}
