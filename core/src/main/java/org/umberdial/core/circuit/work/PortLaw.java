package org.umberdial.core.circuit.work;

import org.umberdial.core.circuit.law.Conductor;
import org.umberdial.core.circuit.network.Amplifier;
import org.umberdial.core.circuit.network.Junction;

/** The law behind one or more ports that belong together. */
abstract class PortLaw {
    private static final double GRID_STEP_VOLTS = 6;
    /** A tube's electrodes never stop mattering to each other. */
    private static final double NEVER = Double.NEGATIVE_INFINITY;

    /** Share of full emission. */
    double emission = 1;

    abstract Port[] ports();

    /**
     * Currents at given volts.
     *
     * @param v by port of the whole circuit
     * @param at where this law's ports begin
     * @param amperes overwritten from {@code at} on
     * @param slopes overwritten: amperes of one port by volts of another, of this law alone [S]
     */
    abstract void evaluate(double[] v, int at, double[] amperes, double[][] slopes);

    abstract double limited(int port, double from, double to);

    abstract double cutOffVolts();

    static PortLaw of(Junction junction) {
        return new OfJunction(junction);
    }

    static PortLaw of(Amplifier tube, Stamps stamps) {
        return new OfTube(tube, stamps);
    }

    private static final class OfJunction extends PortLaw {
        private static final double LEAK_SIEMENS = 1e-9;

        private final Port[] port;
        private final Conductor law;
        private final double[] out = new double[2];

        OfJunction(Junction junction) {
            law = junction.law();
            port = new Port[] {new Port(junction.a(), junction.b(), Stamps.GUARD, LEAK_SIEMENS)};
        }

        @Override
        Port[] ports() {
            return port;
        }

        @Override
        void evaluate(double[] v, int at, double[] amperes, double[][] slopes) {
            law.evaluate(v[at], emission, out);
            amperes[at] = out[0];
            slopes[0][0] = out[1];
        }

        @Override
        double limited(int port, double from, double to) {
            return law.limited(from, to);
        }

        @Override
        double cutOffVolts() {
            return law.cutOffVolts();
        }
    }

    /** Grid, third grid, screen and plate of a section, as many as it has, each against the cathode. */
    static final class OfTube extends PortLaw {
        private static final double GRID_GUARD = 1e-7;

        private final Stamps stamps;
        /** The section on nodes of its own: the electrodes by number, the cathode as the reference. */
        private final Amplifier alone;
        /** Electrode of each port: 0 grid, 1 third grid, 2 screen, 3 plate. */
        private final int[] electrodes;

        private final Port[] ports;
        private final double[] x = new double[4];
        double gas;

        OfTube(Amplifier tube, Stamps stamps) {
            this.stamps = stamps;
            alone = tube.on(3, 2, 1, 0, -1);
            electrodes = electrodes(tube);
            int[] nodes = {tube.grid(), tube.grid3(), tube.screen(), tube.plate()};
            ports = new Port[electrodes.length];
            for (int i = 0; i < ports.length; i++) {
                ports[i] = new Port(nodes[electrodes[i]], tube.cathode(), guard(electrodes[i]), 0);
            }
        }

        static int[] electrodes(Amplifier tube) {
            return !tube.hasScreen()
                    ? new int[] {0, 3}
                    : tube.pentode().isPresent() ? new int[] {0, 2, 3} : new int[] {0, 1, 2, 3};
        }

        /** A grid hangs on megohms, a plate does not. */
        static double guard(int electrode) {
            return electrode < 2 ? GRID_GUARD : Stamps.GUARD;
        }

        @Override
        Port[] ports() {
            return ports;
        }

        @Override
        void evaluate(double[] v, int at, double[] amperes, double[][] slopes) {
            for (int i = 0; i < electrodes.length; i++) {
                x[electrodes[i]] = v[at + i];
            }
            stamps.currents(alone, gas, emission, x);
            for (int i = 0; i < electrodes.length; i++) {
                amperes[at + i] = stamps.current[electrodes[i]];
                double[] row = stamps.row[electrodes[i]];
                for (int k = 0; k < electrodes.length; k++) {
                    slopes[i][k] = row[electrodes[k]];
                }
            }
        }

        @Override
        double limited(int port, double from, double to) {
            double most = GRID_STEP_VOLTS + 0.5 * Math.abs(from);
            return electrodes[port] < 2 ? Math.max(from - most, Math.min(to, from + most)) : to;
        }

        @Override
        double cutOffVolts() {
            return NEVER;
        }
    }
}
