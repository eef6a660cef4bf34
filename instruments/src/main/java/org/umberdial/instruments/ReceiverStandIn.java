package org.umberdial.instruments;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.alignment.Feed;
import org.umberdial.core.alignment.SimulatedReceiver;
import org.umberdial.core.alignment.SimulatedReceiver.Generator;
import org.umberdial.core.alignment.SimulatedReceiver.Shown;

/**
 * A receiver to align that is not there, with a generator and meters of three digits, on one loopback port. Its cores
 * are turned by a command, since it has no slots for a tool.
 */
public final class ReceiverStandIn implements AutoCloseable {
    private static final double MOST_HERTZ = 200e6;
    private static final double MOST_VOLTS = 10;
    private static final double MOST_TURNS = 20;
    private static final int AVC = 101;
    private static final int STABILISER = 102;
    private static final int BALANCE = 103;

    private final SimulatedReceiver set;
    private final ScpiServer server;
    private double hertz = 1e6;
    private double volts;
    private Feed feed = Feed.NONE;
    private double dial;
    private String band = "";

    public ReceiverStandIn(SimulatedReceiver set) {
        this.set = set;
        server = new ScpiServer(receiver(), 0);
    }

    public int port() {
        return server.port();
    }

    private ScpiInstrument receiver() {
        ScpiInstrument receiver = new ScpiInstrument("RECEIVER STAND-IN");
        receiver.on("SOURce:FREQuency[:CW]", p -> {
            hertz = ScpiInstrument.number(p, 0, 1, MOST_HERTZ);
            return "";
        });
        receiver.on("SOURce:FREQuency[:CW]?", p -> ScpiInstrument.print(hertz));
        receiver.on("SOURce:VOLTage[:LEVel]", p -> {
            volts = ScpiInstrument.number(p, 0, 0, MOST_VOLTS);
            return "";
        });
        receiver.on("SOURce:VOLTage[:LEVel]?", p -> ScpiInstrument.print(volts));
        receiver.on("SIMulation:PLACe", this::place);
        receiver.on("SIMulation:TURN", p -> {
            double turns = ScpiInstrument.number(p, 1, -MOST_TURNS, MOST_TURNS);
            if (!set.cores().contains(p.get(0))) {
                throw new ScpiError(ScpiError.OUT_OF_RANGE, "Data out of range");
            }
            synchronized (set) {
                set.turn(p.get(0), turns);
            }
            return "";
        });
        receiver.on("MEASure[:SCALar]:VOLTage:AC?", p -> ScpiInstrument.print(digits(shown().output())));
        receiver.on("MEASure[:SCALar]:VOLTage[:DC]?", p -> {
            List<String> answers = new ArrayList<>();
            Shown shown = shown();
            for (int channel : ScpiInstrument.channels(p, BALANCE)) {
                answers.add(ScpiInstrument.print(digits(
                        switch (channel) {
                            case AVC -> shown.avc();
                            case STABILISER -> shown.stabiliser();
                            case BALANCE -> shown.balance();
                            default -> throw new ScpiError(ScpiError.OUT_OF_RANGE, "Data out of range");
                        })));
            }
            return String.join(",", answers);
        });
        return receiver;
    }

    private String place(List<String> parameters) throws ScpiError {
        if (parameters.size() < 3) {
            throw new ScpiError(ScpiError.MISSING_PARAMETER, "Missing parameter");
        }
        Optional<Feed> put = Arrays.stream(Feed.values())
                .filter(f -> f.name().equals(parameters.get(0).toUpperCase(Locale.ROOT)))
                .findFirst();
        String on = parameters.get(2).equals("NONE") ? "" : parameters.get(2);
        if (put.isEmpty() || !on.isEmpty() && !set.bands().contains(on)) {
            throw new ScpiError(ScpiError.OUT_OF_RANGE, "Data out of range");
        }
        dial = ScpiInstrument.number(parameters, 1, 0, MOST_HERTZ);
        feed = put.get();
        band = on;
        return "";
    }

    private Shown shown() {
        synchronized (set) {
            return set.shown(new Generator(feed, hertz, feed == Feed.NONE ? 0 : volts), band, dial);
        }
    }

    /** As a meter of three digits shows it. */
    static double digits(double value) {
        if (value == 0) {
            return 0;
        }
        double unit = Math.pow(10, Math.floor(Math.log10(Math.abs(value))) - 2);
        return Math.rint(value / unit) * unit;
    }

    @Override
    public void close() {
        server.close();
    }
}
