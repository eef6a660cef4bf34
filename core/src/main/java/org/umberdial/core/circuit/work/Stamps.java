package org.umberdial.core.circuit.work;

import java.util.Arrays;
import org.umberdial.core.circuit.law.BipolarLaw;
import org.umberdial.core.circuit.law.Filament;
import org.umberdial.core.circuit.law.HeptodeLaw;
import org.umberdial.core.circuit.law.OscillatorGrid;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Branch;
import org.umberdial.core.circuit.network.Heat;
import org.umberdial.core.circuit.network.Junction;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Source;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.sparse.SparsePattern;
import org.umberdial.core.tube.TubeModel;

/**
 * Writes a network into a matrix: Kirchhoff's current law at every node, one more row for every voltage source.
 *
 * <p>Unknowns are node voltages and source currents. For an instant's state the matrix holds the slopes and the
 * residual holds what flows out of each node; both come from one pass over the elements.
 */
final class Stamps {
    /** Across every node, so that a floating one has a value; a millionth of what a meter takes [S]. */
    static final double GMIN = 1e-12;
    /** Conductance that stands for a driven junction in the matrix; its own law makes up the difference [S]. */
    static final double GUARD = 2e-4;

    /** Electrodes by number; the cathode comes after them. */
    static final int GRID = 0;

    static final int GRID3 = 1;
    static final int SCREEN = 2;
    static final int PLATE = 3;
    private static final int CONTROLS = 5;

    final Network network;
    final SparsePattern pattern;
    final int nodes;
    final int size;
    private final int[] diagonal;
    private final int[][] branchSlots;
    private final int[][] sourceSlots;
    private final int[][] junctionSlots;
    private final int[][] amplifierSlots;
    private final int[][] amplifierNodes;
    private final int[] branchA;
    private final int[] branchB;
    private final double[] out = new double[10];
    /** Amperes into each electrode where {@link #currents} was asked last. */
    final double[] current = new double[CONTROLS - 1];
    /**
     * Their slopes by grid, grid 3, screen and plate, each against the cathode; overwritten by the next question [S].
     */
    final double[][] row = new double[CONTROLS - 1][CONTROLS];

    Stamps(Network network) {
        this.network = network;
        nodes = network.names().size();
        size = nodes + network.sources().size();
        pattern = new SparsePattern(size);
        diagonal = new int[size];
        for (int i = 0; i < size; i++) {
            diagonal[i] = pattern.slot(i, i);
        }
        branchSlots = network.branches().stream()
                .map(branch -> pair(branch.a(), branch.b()))
                .toArray(int[][]::new);
        branchA = network.branches().stream().mapToInt(Branch::a).toArray();
        branchB = network.branches().stream().mapToInt(Branch::b).toArray();
        junctionSlots = network.junctions().stream()
                .map(junction -> pair(junction.a(), junction.b()))
                .toArray(int[][]::new);
        sourceSlots = new int[network.sources().size()][];
        for (int i = 0; i < sourceSlots.length; i++) {
            Source source = network.sources().get(i);
            int row = nodes + i;
            sourceSlots[i] = slots(
                    pattern.slot(source.plus(), row),
                    pattern.slot(source.minus(), row),
                    pattern.slot(row, source.plus()),
                    pattern.slot(row, source.minus()));
        }
        amplifierNodes = network.amplifiers().stream()
                .map(a -> new int[] {a.grid(), a.grid3(), a.screen(), a.plate(), a.cathode()})
                .toArray(int[][]::new);
        amplifierSlots = new int[amplifierNodes.length][];
        for (int i = 0; i < amplifierSlots.length; i++) {
            int[] n = amplifierNodes[i];
            amplifierSlots[i] = new int[CONTROLS * CONTROLS];
            for (int row = 0; row < CONTROLS; row++) {
                for (int column = 0; column < CONTROLS; column++) {
                    amplifierSlots[i][row * CONTROLS + column] = pattern.slot(n[row], n[column]);
                }
            }
        }
    }

    private int[] pair(int a, int b) {
        return slots(pattern.slot(a, a), pattern.slot(b, b), pattern.slot(a, b), pattern.slot(b, a));
    }

    private static int[] slots(int... slots) {
        return slots;
    }

    int branchA(int branch) {
        return branchA[branch];
    }

    int branchB(int branch) {
        return branchB[branch];
    }

    static double at(double[] x, int node) {
        return node < 0 ? 0 : x[node];
    }

    double across(double[] x, int branch) {
        return at(x, branchA[branch]) - at(x, branchB[branch]);
    }

    /** The heater's warmth as emission of a tube; a tube without a heater card is hot. */
    static double emission(double[] warmth, int heat) {
        return heat < 0 ? 1 : Filament.emission(warmth[heat]);
    }

    /** Filament conductances at their warmth, everything else as it stands in the values. */
    void conductances(Values values, double[] warmth, double[] siemens) {
        System.arraycopy(values.siemens(), 0, siemens, 0, siemens.length);
        for (int h = 0; h < network.heats().size(); h++) {
            Heat heat = network.heats().get(h);
            double hotter = heat.law().hotOhms() / heat.law().ohms(warmth[h]);
            for (int branch : heat.branches()) {
                siemens[branch] *= hotter;
            }
        }
    }

    /**
     * Fills matrix and residual at a state.
     *
     * @param sourceShare share of the DC sources that is on, 1 but while stepping them up
     * @param matrix overwritten, one value per slot
     * @param residual overwritten: what flows out of each node, and what each source row misses
     */
    void fill(
            Values values,
            double[] siemens,
            double[] warmth,
            double[] x,
            double sourceShare,
            double[] matrix,
            double[] residual) {
        Arrays.fill(matrix, 0);
        Arrays.fill(residual, 0);
        for (int i = 0; i < nodes; i++) {
            matrix[diagonal[i]] = GMIN;
            residual[i] = GMIN * x[i];
        }
        for (int i = 0; i < branchSlots.length; i++) {
            double g = siemens[i];
            conduct(branchSlots[i], branchA[i], branchB[i], g, g * across(x, i), matrix, residual);
        }
        fillSources(values, x, sourceShare, matrix, residual);
        for (int i = 0; i < junctionSlots.length; i++) {
            Junction junction = network.junctions().get(i);
            double v = at(x, junction.a()) - at(x, junction.b());
            if (junction.acDriven()) {
                conduct(junctionSlots[i], junction.a(), junction.b(), GUARD, GUARD * v, matrix, residual);
            } else {
                double e = emission(warmth, junction.heat()) * values.junctionHealth()[i];
                junction.law().evaluate(v, e, out);
                conduct(junctionSlots[i], junction.a(), junction.b(), out[1], out[0], matrix, residual);
            }
        }
        for (int i = 0; i < amplifierSlots.length; i++) {
            amplify(i, values, warmth, x, matrix, residual);
        }
    }

    /** A conductance from a node to the reference, on top. */
    void load(int node, double g, double[] x, double[] matrix, double[] residual) {
        matrix[diagonal[node]] += g;
        residual[node] += g * x[node];
    }

    /** A conductance from every node to where it stood. */
    void hold(double g, double[] x, double[] stood, double[] matrix, double[] residual) {
        for (int i = 0; i < nodes; i++) {
            matrix[diagonal[i]] += g;
            residual[i] += g * (x[i] - stood[i]);
        }
    }

    private static void add(double[] matrix, int slot, double value) {
        if (slot >= 0) {
            matrix[slot] += value;
        }
    }

    private static void conduct(
            int[] slots, int a, int b, double g, double current, double[] matrix, double[] residual) {
        add(matrix, slots[0], g);
        add(matrix, slots[1], g);
        add(matrix, slots[2], -g);
        add(matrix, slots[3], -g);
        if (a >= 0) {
            residual[a] += current;
        }
        if (b >= 0) {
            residual[b] -= current;
        }
    }

    private void fillSources(Values values, double[] x, double share, double[] matrix, double[] residual) {
        for (int i = 0; i < sourceSlots.length; i++) {
            Source source = network.sources().get(i);
            int row = nodes + i;
            int[] slots = sourceSlots[i];
            add(matrix, slots[0], 1);
            add(matrix, slots[1], -1);
            add(matrix, slots[2], 1);
            add(matrix, slots[3], -1);
            if (source.plus() >= 0) {
                residual[source.plus()] += x[row];
            }
            if (source.minus() >= 0) {
                residual[source.minus()] -= x[row];
            }
            residual[row] +=
                    at(x, source.plus()) - at(x, source.minus()) - (source.isLine() ? 0 : share * values.volts()[i]);
        }
        for (Network.Injection injection : network.injections()) {
            if (injection.a() >= 0) {
                residual[injection.a()] += share * injection.amperes();
            }
            if (injection.b() >= 0) {
                residual[injection.b()] -= share * injection.amperes();
            }
        }
    }

    private void amplify(int i, Values values, double[] warmth, double[] x, double[] matrix, double[] residual) {
        Amplifier tube = network.amplifiers().get(i);
        if (tube.acDriven()) {
            standIn(i, x, matrix, residual);
            return;
        }
        currents(tube, values.gas()[i], emission(warmth, tube.heat()) * values.amplifierHealth()[i], x);
        int[] slots = amplifierSlots[i];
        enter(slots, 0, row[GRID], current[GRID], tube.grid(), tube.cathode(), matrix, residual);
        enter(slots, 3, row[PLATE], current[PLATE], tube.plate(), tube.cathode(), matrix, residual);
        if (tube.hasScreen()) {
            enter(slots, 2, row[SCREEN], current[SCREEN], tube.screen(), tube.cathode(), matrix, residual);
        }
        if (tube.heptode().isPresent()) {
            enter(slots, 1, row[GRID3], current[GRID3], tube.grid3(), tube.cathode(), matrix, residual);
        }
    }

    /** What stands for a tube that the line drives: a conductance at each of its ports. */
    private void standIn(int i, double[] x, double[] matrix, double[] residual) {
        int[] slots = amplifierSlots[i];
        int[] n = amplifierNodes[i];
        for (int e : PortLaw.OfTube.electrodes(network.amplifiers().get(i))) {
            double g = PortLaw.OfTube.guard(e);
            add(matrix, slots[e * CONTROLS + e], g);
            add(matrix, slots[4 * CONTROLS + 4], g);
            add(matrix, slots[e * CONTROLS + 4], -g);
            add(matrix, slots[4 * CONTROLS + e], -g);
            double current = g * (at(x, n[e]) - at(x, n[4]));
            if (n[e] >= 0) {
                residual[n[e]] += current;
            }
            if (n[4] >= 0) {
                residual[n[4]] -= current;
            }
        }
    }

    /** Slopes of an electrode's current where {@link #currents} was asked last, by electrode [S]. */
    double[] slopes(int electrode) {
        return Arrays.copyOf(row[electrode], CONTROLS - 1);
    }

    /** Currents and slopes of a section at a state; slopes by grid, grid 3, screen, plate, each against the cathode. */
    void currents(Amplifier tube, double gas, double e, double[] x) {
        double cathode = at(x, tube.cathode());
        double vg = at(x, tube.grid()) - cathode;
        double vp = at(x, tube.plate()) - cathode;
        double vs = at(x, tube.screen()) - cathode;
        Arrays.fill(row[PLATE], 0);
        Arrays.fill(row[SCREEN], 0);
        Arrays.fill(row[GRID], 0);
        Arrays.fill(row[GRID3], 0);
        current[SCREEN] = 0;
        current[GRID3] = 0;
        if (tube.bipolar().isPresent()) {
            bipolar(tube.bipolar().get(), e, vg, vp);
        } else if (tube.triode().isPresent()) {
            triode(tube, e, vg, vp);
        } else if (tube.pentode().isPresent()) {
            tube.pentode().get().currents(vg, vs, vp, out);
            current[PLATE] = e * out[0];
            row[PLATE][0] = e * out[1];
            row[PLATE][2] = e * out[2];
            row[PLATE][3] = e * out[3];
            current[SCREEN] = e * out[4];
            row[SCREEN][0] = e * out[5];
            row[SCREEN][2] = e * out[6];
            row[SCREEN][3] = e * out[7];
            ownGrid(e, vg);
        } else {
            heptode(tube.heptode().orElseThrow(), e, vg, at(x, tube.grid3()) - cathode, vs, vp);
        }
        if (gas > 0) {
            current[GRID] -= gas * (current[PLATE] + current[SCREEN]);
            for (int k = 0; k < CONTROLS; k++) {
                row[GRID][k] -= gas * (row[PLATE][k] + row[SCREEN][k]);
            }
        }
    }

    private void ownGrid(double e, double vg) {
        TubeModel.GRID.evaluate(vg, e, out);
        current[GRID] = out[0];
        row[GRID][0] = out[1];
    }

    private void triode(Amplifier tube, double e, double vg, double vp) {
        double swing = tube.oscillation().swing() * e;
        double lift = vp > 0 ? swing : 0;
        double duty = tube.oscillation().conducting(e);
        tube.triode().orElseThrow().plate(vg + lift * vp, vp, out);
        current[PLATE] = e * duty * out[0];
        row[PLATE][0] = e * duty * out[1];
        row[PLATE][3] = e * duty * (out[2] + lift * out[1]);
        if (swing > 0) {
            current[GRID] = e * OscillatorGrid.amperes(vg + lift * vp);
            row[GRID][0] = e * OscillatorGrid.siemens(vg + lift * vp);
            row[GRID][3] = lift * row[GRID][0];
        } else {
            ownGrid(e, vg);
        }
    }

    private void bipolar(BipolarLaw law, double health, double vbe, double vce) {
        law.currents(vbe, vce, out);
        current[PLATE] = health * out[0];
        row[PLATE][0] = health * out[1];
        row[PLATE][3] = health * out[2];
        current[GRID] = health * out[3];
        row[GRID][0] = health * out[4];
        row[GRID][3] = health * out[5];
    }

    private void heptode(HeptodeLaw law, double e, double vg, double vg3, double vs, double vp) {
        law.currents(vg, vg3, vs, vp, e, out);
        current[PLATE] = e * out[0];
        current[SCREEN] = e * out[5];
        for (int k = 0; k < 4; k++) {
            row[PLATE][k] = e * out[1 + k];
            row[SCREEN][k] = e * out[6 + k];
        }
        if (law.swing() > 0) {
            double lift = vs > 0 ? law.swing() * e : 0;
            current[GRID] = e * OscillatorGrid.amperes(vg + lift * vs);
            row[GRID][0] = e * OscillatorGrid.siemens(vg + lift * vs);
            row[GRID][2] = lift * row[GRID][0];
        } else {
            ownGrid(e, vg);
        }
        TubeModel.GRID.evaluate(vg3, e, out);
        current[GRID3] = out[0];
        row[GRID3][1] = out[1];
    }

    private static void enter(
            int[] slots,
            int electrode,
            double[] slopes,
            double current,
            int node,
            int cathode,
            double[] matrix,
            double[] residual) {
        double sum = 0;
        int row = electrode * CONTROLS;
        int back = 4 * CONTROLS;
        for (int k = 0; k < 4; k++) {
            double slope = slopes[k];
            if (slope != 0) {
                add(matrix, slots[row + k], slope);
                add(matrix, slots[back + k], -slope);
                sum += slope;
            }
        }
        add(matrix, slots[row + 4], -sum);
        add(matrix, slots[back + 4], sum);
        if (node >= 0) {
            residual[node] += current;
        }
        if (cathode >= 0) {
            residual[cathode] -= current;
        }
    }
}
