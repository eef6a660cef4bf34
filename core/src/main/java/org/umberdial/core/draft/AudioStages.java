package org.umberdial.core.draft;

import static org.umberdial.core.draft.Board.GROUND;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import org.umberdial.core.circuit.law.PentodeLaw;
import org.umberdial.core.circuit.law.TriodeLaw;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubePoint;

/** Voltage amplifiers, splitters and output stages. */
final class AudioStages {
    /** A triode with more takes its bias from the grid current through a high grid leak. */
    private static final double CONTACT_BIAS_MU = 55;
    /** Where a resistance-coupled plate stands, as a share of its supply. */
    private static final double PLATE_SHARE = 0.6;

    private final Board board;
    private final Plan plan;
    private final TubeModels models;

    AudioStages(Board board, Plan plan, TubeModels models) {
        this.board = board;
        this.plan = plan;
        this.models = models;
    }

    /** The volume control across what comes in; gives its wiper. */
    String volume(String from, String foot, String suffix) {
        String wiper = "wiper" + suffix;
        board.pot(from, wiper, 250e3, "volume, upper part");
        board.pot(wiper, foot, 250e3, "volume, lower part");
        return wiper;
    }

    /**
     * A resistance-coupled stage from a node that carries the signal.
     *
     * @param foot where its cathode returns
     * @return its plate
     */
    String amplifier(Unit unit, String from, String foot, String coupled) {
        return unit.is(Section.PENTODE) ? pentode(unit, from, foot, coupled) : triode(unit, from, foot, coupled);
    }

    /** Whether its bias comes from a resistor in its cathode. */
    boolean hasCathodeBias(Unit unit) {
        return !unit.tube().isFilament()
                && board.sharedCathode(unit).isEmpty()
                && (unit.is(Section.PENTODE) || unit.mu() < CONTACT_BIAS_MU);
    }

    private String triode(Unit unit, String from, String foot, String coupled) {
        String grid = unit.node(Electrode.GRID);
        board.capacitor(from, grid, 0.01e-6, "paper", coupled);
        boolean contact = unit.mu() >= CONTACT_BIAS_MU && !unit.tube().isFilament();
        double load = load(unit);
        Optional<String> shared = board.sharedCathode(unit);
        String cathode = shared.orElse(foot);
        if (contact || shared.isPresent()) {
            board.resistor(grid, cathode, 10e6, "grid leak, contact bias");
        } else {
            board.resistor(grid, GROUND, 470e3, "grid leak");
            Bias bias = bias(unit, load, plan.bplusVolts());
            if (bias.volts() > 0.2 && !unit.tube().isFilament()) {
                cathode = unit.node(Electrode.CATHODE);
                board.resistor(cathode, GROUND, bias.volts() / bias.amperes(), "cathode bias");
                board.electrolytic(cathode, GROUND, 25e-6, "cathode bypass");
            }
        }
        board.tube(unit, Map.of(Electrode.CATHODE, cathode), "");
        board.resistor(Board.BPLUS, unit.node(Electrode.PLATE), load, "plate load");
        return unit.node(Electrode.PLATE);
    }

    private double load(Unit unit) {
        return unit.mu() >= CONTACT_BIAS_MU ? (plan.bplusVolts() < 150 ? 470e3 : 220e3) : unit.mu() > 25 ? 100e3 : 47e3;
    }

    private record Bias(double volts, double amperes) {}

    /** The bias that puts the plate where it is usual, by the tube's own law. */
    private Bias bias(Unit unit, double load, double supply) {
        double plate = PLATE_SHARE * supply;
        double amperes = (supply - plate) / load;
        Optional<TriodeLaw> law = models.model(unit.type().name()).flatMap(model -> model.triode());
        if (law.isEmpty()) {
            return new Bias(2, amperes);
        }
        double[] out = new double[3];
        double grid = gridFor(amperes, -supply, 0, volts -> {
            law.get().plate(volts, plate, out);
            return out[0];
        });
        return new Bias(-grid, amperes);
    }

    /** Where between two grid voltages a tube draws a current, which rises with the grid; by halving. */
    private static double gridFor(double amperes, double least, double most, DoubleUnaryOperator current) {
        double low = least;
        double high = most;
        for (int i = 0; i < 60; i++) {
            double grid = (low + high) / 2;
            if (current.applyAsDouble(grid) > amperes) {
                high = grid;
            } else {
                low = grid;
            }
        }
        return high;
    }

    private String pentode(Unit unit, String from, String foot, String coupled) {
        String grid = unit.node(Electrode.GRID);
        board.capacitor(from, grid, 0.01e-6, "paper", coupled);
        double load = unit.tube().isFilament() ? 1e6 : plan.bplusVolts() < 150 ? 470e3 : 220e3;
        double plateAmperes = (1 - PLATE_SHARE) * plan.bplusVolts() / load;
        double screenShare = unit.near(plan.bplusVolts())
                .filter(point -> point.screenAmperes().isPresent())
                .map(point -> point.screenAmperes().getAsDouble()
                        / point.plateAmperes().orElseThrow())
                .orElse(0.3);
        double screen = 0.3 * plan.bplusVolts();
        String cathode = foot;
        if (unit.tube().isFilament()) {
            board.resistor(grid, GROUND, 10e6, "grid leak, contact bias");
        } else {
            board.resistor(grid, GROUND, 470e3, "grid leak");
            double bias = pentodeBias(unit, screen, PLATE_SHARE * plan.bplusVolts(), plateAmperes);
            cathode = unit.node(Electrode.CATHODE);
            board.resistor(cathode, GROUND, bias / (plateAmperes * (1 + screenShare)), "cathode bias");
            board.electrolytic(cathode, GROUND, 25e-6, "cathode bypass");
        }
        String screenNode = unit.node(Electrode.SCREEN);
        board.tube(unit, Map.of(Electrode.CATHODE, cathode), "");
        board.resistor(Board.BPLUS, unit.node(Electrode.PLATE), load, "plate load");
        board.resistor(
                Board.BPLUS, screenNode, (plan.bplusVolts() - screen) / (screenShare * plateAmperes), "screen dropper");
        board.capacitor(screenNode, GROUND, 0.1e-6, "paper", "screen bypass");
        return unit.node(Electrode.PLATE);
    }

    private double pentodeBias(Unit unit, double screen, double plate, double amperes) {
        Optional<PentodeLaw> law = models.model(unit.type().name()).flatMap(model -> model.pentode());
        if (law.isEmpty()) {
            return 2;
        }
        double[] out = new double[8];
        return -gridFor(amperes, -60, -0.4, volts -> {
            law.get().currents(volts, screen, plate, out);
            return out[0];
        });
    }

    /** Plate and cathode loads alike; gives plate and cathode. */
    String[] splitLoad(Unit unit, String from) {
        String grid = unit.node(Electrode.GRID);
        String cathode = unit.node(Electrode.CATHODE);
        double load = unit.mu() > 50 ? 100e3 : 47e3;
        String foot = unit.prefix() + "_foot";
        board.capacitor(from, grid, 0.02e-6, "paper", "coupling to the splitter");
        board.resistor(grid, foot, 1e6, "grid leak");
        Bias bias = bias(unit, 2 * load, plan.bplusVolts());
        board.resistor(cathode, foot, Math.max(bias.volts() / bias.amperes(), 470), "cathode bias");
        board.resistor(foot, GROUND, load, "cathode load");
        board.tube(unit, Map.of(), "");
        board.resistor(Board.BPLUS, unit.node(Electrode.PLATE), load, "plate load");
        return new String[] {unit.node(Electrode.PLATE), foot};
    }

    /** Two triodes on one tail; the second's grid is at rest. */
    String[] longTail(Unit first, Unit second, String from) {
        String tail = first.prefix() + "_cathode";
        String foot = first.prefix() + "_foot";
        double load = first.mu() > 50 ? 100e3 : 47e3;
        Bias bias = bias(first, load, plan.bplusVolts() * 0.8);
        board.capacitor(from, first.node(Electrode.GRID), 0.02e-6, "paper", "coupling to the splitter");
        board.resistor(first.node(Electrode.GRID), foot, 1e6, "grid leak");
        board.resistor(tail, foot, Math.max(bias.volts() / (2 * bias.amperes()), 220), "cathode bias");
        board.resistor(foot, GROUND, 0.2 * plan.bplusVolts() / (2 * bias.amperes()), "tail");
        board.tube(first, Map.of(Electrode.CATHODE, tail), "");
        board.resistor(Board.BPLUS, first.node(Electrode.PLATE), load, "plate load");
        board.resistor(second.node(Electrode.GRID), foot, 1e6, "grid leak");
        board.capacitor(second.node(Electrode.GRID), GROUND, 0.1e-6, "paper", "grid at rest");
        board.tube(second, Map.of(Electrode.CATHODE, tail), "");
        board.resistor(Board.BPLUS, second.node(Electrode.PLATE), load, "plate load");
        return new String[] {first.node(Electrode.PLATE), second.node(Electrode.PLATE)};
    }

    /** The second triode turns over what the first gives. */
    String[] seeSaw(Unit first, Unit second, String from) {
        return turned(first, second, triode(first, from, GROUND, "coupling to the splitter"));
    }

    /** A triode that turns over what stands at a plate; gives both plates. */
    String[] turned(Unit first, Unit second, String plate) {
        String tap = first.prefix() + "_turn";
        board.capacitor(plate, tap, 0.02e-6, "paper", "to the turning triode");
        board.resistor(tap, second.node(Electrode.GRID), 1e6, "see-saw, from the first plate");
        String other = second.node(Electrode.PLATE);
        board.capacitor(other, second.prefix() + "_back", 0.02e-6, "paper", "see-saw, from its own plate");
        board.resistor(second.prefix() + "_back", second.node(Electrode.GRID), 1e6, "see-saw, from its own plate");
        Optional<String> shared = board.sharedCathode(second);
        board.resistor(second.node(Electrode.GRID), shared.orElse(GROUND), 2.2e6, "grid leak");
        double load = load(second);
        if (shared.isEmpty()) {
            Bias bias = bias(second, load, plan.bplusVolts());
            board.resistor(
                    second.node(Electrode.CATHODE),
                    GROUND,
                    Math.max(bias.volts() / bias.amperes(), 470),
                    "cathode bias");
        }
        board.tube(second, Map.of(Electrode.CATHODE, shared.orElse(second.node(Electrode.CATHODE))), "");
        board.resistor(Board.BPLUS, other, load, "plate load");
        return new String[] {plate, other};
    }

    /** A driver with a transformer in its plate; gives the two grids' ends, whose centre is at a bias node. */
    String[] driverTransformer(Unit unit, String from, String centre) {
        String grid = unit.node(Electrode.GRID);
        board.capacitor(from, grid, 0.02e-6, "paper", "coupling to the driver");
        board.resistor(grid, GROUND, 470e3, "grid leak");
        TubePoint point = unit.near(plan.bplusVolts()).orElseThrow();
        String bias = board.resistor(
                unit.node(Electrode.CATHODE),
                GROUND,
                Math.abs(point.gridVolts().orElse(8)) / point.plateAmperes().orElse(5e-3),
                "cathode bias");
        board.cools(unit, bias);
        board.electrolytic(unit.node(Electrode.CATHODE), GROUND, 25e-6, "cathode bypass");
        board.tube(unit, Map.of(), "");
        String[] ends = {unit.prefix() + "_up", unit.prefix() + "_down"};
        board.transformer(
                "XT3",
                List.of(Board.BPLUS, unit.node(Electrode.PLATE), ends[0], centre, centre, ends[1]),
                new double[] {100, 150, 150},
                new double[] {600, 1500, 1500},
                20,
                "driver transformer");
        return ends;
    }
}
