package org.umberdial.instruments;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.function.LongSupplier;
import org.umberdial.instruments.SimulatedSet.Fault;
import org.umberdial.instruments.SimulatedSet.Hidden;

/**
 * A bench of stand-ins around one simulated set, in real time: line supply with power meter, lamp limiter, meter with
 * scanner, capacitor leakage tester, signal generator, oscilloscope and tachometer, each on its own port of loopback.
 *
 * <p>Faults are hidden in the set through a command no real instrument has, {@code SIMulation:FAULt}, so that a person
 * can practise and a test can prove what is found.
 */
public final class Bench implements AutoCloseable {
    private static final double LINE_MOST = 300;
    private static final int FIRST_CHANNEL = 101;
    private static final double NANOS = 1e9;

    /** Makes the set anew: switched off, cold, with these faults. */
    public interface Sets {
        SimulatedSet with(List<Hidden> faults);
    }

    private final Sets sets;
    private final Clips clips;
    private final double nominalLine;
    private final double speed;
    private final LongSupplier nanos;
    private final List<ScpiServer> servers = new ArrayList<>();
    private SimulatedSet set;
    private List<Hidden> faults = List.of();
    private long lastNanos;
    private double line;

    /**
     * @param nominalLine what the supply gives when it is switched on [V RMS]
     * @param speed seconds of the set in one of the clock's
     */
    public Bench(Sets sets, Clips clips, double nominalLine, double speed) {
        this(sets, clips, nominalLine, speed, System::nanoTime);
    }

    /** @param nanos what time it is [ns] */
    Bench(Sets sets, Clips clips, double nominalLine, double speed, LongSupplier nanos) {
        this.sets = sets;
        this.clips = clips;
        this.nominalLine = nominalLine;
        this.speed = speed;
        this.nanos = nanos;
        line = nominalLine;
        lastNanos = nanos.getAsLong();
        set = sets.with(List.of());
        set.line(line);
        for (ScpiInstrument instrument :
                List.of(supply(), limiter(), scanner(), leakageTester(), generator(), oscilloscope(), tachometer())) {
            servers.add(new ScpiServer(instrument, 0));
        }
    }

    /** Port of the line supply. */
    public int supplyPort() {
        return servers.get(0).port();
    }

    /** Port of the lamp limiter. */
    public int limiterPort() {
        return servers.get(1).port();
    }

    /** Port of the meter with its scanner. */
    public int scannerPort() {
        return servers.get(2).port();
    }

    /** Ports of leakage tester, generator, oscilloscope and tachometer. */
    public List<Integer> otherPorts() {
        return servers.subList(3, servers.size()).stream().map(ScpiServer::port).toList();
    }

    /** Drops the scanner's connections, as a cable that is pulled does. */
    public void dropScanner() {
        servers.get(2).close();
    }

    /** The set as it is by now. */
    private synchronized SimulatedSet now() {
        long time = nanos.getAsLong();
        double passed = (time - lastNanos) / NANOS * speed;
        double before = set.seconds();
        set.go(passed);
        // What is less than a step is kept for the next time.
        lastNanos += Math.round((set.seconds() - before) / speed * NANOS);
        return set;
    }

    private synchronized void renew(List<Hidden> hidden) {
        faults = List.copyOf(hidden);
        List<Double> lamps = set.lamps();
        set = sets.with(faults);
        set.line(line);
        set.lamps(lamps);
        lastNanos = nanos.getAsLong();
    }

    private ScpiInstrument supply() {
        ScpiInstrument supply = new ScpiInstrument("LINE SUPPLY") {
            @Override
            void reset() {
                now().switchOn(false);
                line = nominalLine;
                set.line(line);
            }
        };
        supply.on("SOURce:VOLTage[:LEVel]", p -> {
            double volts = ScpiInstrument.number(p, 0, 0, LINE_MOST);
            line = volts;
            now().line(volts);
            return "";
        });
        supply.on("SOURce:VOLTage[:LEVel]?", p -> ScpiInstrument.print(line));
        supply.on("OUTPut[:STATe]", p -> {
            now().switchOn(ScpiInstrument.onOff(p));
            return "";
        });
        supply.on("OUTPut[:STATe]?", p -> now().isOn() ? "1" : "0");
        supply.on("MEASure[:SCALar]:VOLTage:AC?", p -> ScpiInstrument.print(now().isOn() ? line : 0));
        supply.on("MEASure[:SCALar]:CURRent:AC?", p -> ScpiInstrument.print(now().lineAmperes()));
        supply.on("MEASure[:SCALar]:POWer[:AC]?", p -> ScpiInstrument.print(now().lineWatts()));
        supply.on("SIMulation:FAULt", p -> {
            List<Hidden> all = new ArrayList<>(faults);
            all.add(hidden(p));
            renew(all);
            return "";
        });
        supply.on("SIMulation:FAULt:CLEar", p -> {
            renew(List.of());
            return "";
        });
        return supply;
    }

    /** {@code PART,SHORTED} or {@code PART,LEAKS,4000,25,60}: fault, value, from when, over how long. */
    private Hidden hidden(List<String> parameters) throws ScpiError {
        if (parameters.size() < 2) {
            throw new ScpiError(ScpiError.MISSING_PARAMETER, "Missing parameter");
        }
        Fault fault = Arrays.stream(Fault.values())
                .filter(f -> f.name().equals(parameters.get(1).toUpperCase(Locale.ROOT)))
                .findFirst()
                .orElseThrow(() -> new ScpiError(ScpiError.DATA_TYPE, "Data type error"));
        Hidden hidden = new Hidden(
                parameters.get(0).toUpperCase(Locale.ROOT),
                fault,
                parameters.size() > 2 ? ScpiInstrument.number(parameters, 2, 0, 1e9) : 0,
                parameters.size() > 3 ? ScpiInstrument.number(parameters, 3, 0, 1e5) : 0,
                parameters.size() > 4 ? ScpiInstrument.number(parameters, 4, 0, 1e5) : 0);
        try {
            sets.with(List.of(hidden));
        } catch (IllegalArgumentException noSuchPart) {
            throw new ScpiError(ScpiError.OUT_OF_RANGE, "Data out of range");
        }
        return hidden;
    }

    private ScpiInstrument limiter() {
        ScpiInstrument limiter = new ScpiInstrument("LAMP LIMITER");
        limiter.on("SOURce:LAMPs", p -> {
            List<Double> watts = new ArrayList<>();
            for (int i = 0; i < p.size(); i++) {
                double lamp = ScpiInstrument.number(p, i, 0, 1000);
                if (lamp > 0) {
                    watts.add(lamp);
                }
            }
            if (p.isEmpty()) {
                throw new ScpiError(ScpiError.MISSING_PARAMETER, "Missing parameter");
            }
            now().lamps(watts);
            return "";
        });
        limiter.on(
                "SOURce:LAMPs?",
                p -> set.lamps().isEmpty()
                        ? "0"
                        : String.join(
                                ",",
                                set.lamps().stream().map(ScpiInstrument::print).toList()));
        limiter.on("MEASure[:SCALar]:VOLTage:AC?", p -> ScpiInstrument.print(now().setVolts()));
        limiter.on("MEASure[:SCALar]:POWer[:AC]?", p -> ScpiInstrument.print(now().lampWatts()));
        return limiter;
    }

    private ScpiInstrument scanner() {
        ScpiInstrument meter = new ScpiInstrument("SCANNING METER");
        meter.on("MEASure[:SCALar]:VOLTage[:DC]?", p -> {
            List<String> answers = new ArrayList<>();
            List<Integer> asked = p.isEmpty()
                    ? List.of(FIRST_CHANNEL)
                    : ScpiInstrument.channels(
                            p, FIRST_CHANNEL + clips.channels().size() - 1);
            for (int channel : asked) {
                if (channel < FIRST_CHANNEL) {
                    throw new ScpiError(ScpiError.OUT_OF_RANGE, "Data out of range");
                }
                Clips.Pair pair = clips.channels().get(channel - FIRST_CHANNEL);
                answers.add(ScpiInstrument.print(now().volts(pair.plus(), pair.minus())));
            }
            return String.join(",", answers);
        });
        return meter;
    }

    /** Of a capacitor clipped to it: sound, with what a new one leaks. */
    private static ScpiInstrument leakageTester() {
        double[] volts = {0};
        ScpiInstrument tester = new ScpiInstrument("LEAKAGE TESTER");
        tester.on("SOURce:VOLTage[:LEVel]", p -> {
            volts[0] = ScpiInstrument.number(p, 0, 0, 600);
            return "";
        });
        tester.on("SOURce:VOLTage[:LEVel]?", p -> ScpiInstrument.print(volts[0]));
        tester.on("MEASure[:SCALar]:CURRent[:DC]?", p -> ScpiInstrument.print(volts[0] * 1e-8 + 1e-7));
        return tester;
    }

    private static ScpiInstrument generator() {
        double[] state = {1000, 0.5, 0};
        ScpiInstrument generator = new ScpiInstrument("SIGNAL GENERATOR");
        generator.on("SOURce:FREQuency[:CW]", p -> {
            state[0] = ScpiInstrument.number(p, 0, 1, 30e6);
            return "";
        });
        generator.on("SOURce:FREQuency[:CW]?", p -> ScpiInstrument.print(state[0]));
        generator.on("SOURce:VOLTage[:LEVel]", p -> {
            state[1] = ScpiInstrument.number(p, 0, 0, 10);
            return "";
        });
        generator.on("SOURce:VOLTage[:LEVel]?", p -> ScpiInstrument.print(state[1]));
        generator.on("OUTPut[:STATe]", p -> {
            state[2] = ScpiInstrument.onOff(p) ? 1 : 0;
            return "";
        });
        generator.on("OUTPut[:STATe]?", p -> state[2] > 0 ? "1" : "0");
        return generator;
    }

    /** What a scope says in figures of the first supply point: twice the line's frequency rides on it. */
    private ScpiInstrument oscilloscope() {
        ScpiInstrument scope = new ScpiInstrument("OSCILLOSCOPE");
        scope.on("MEASure:VAVerage?", p -> {
            Clips.Pair pair = clips.channels().get(0);
            return ScpiInstrument.print(now().volts(pair.plus(), pair.minus()));
        });
        scope.on("MEASure:FREQuency?", p -> ScpiInstrument.print(now().isOn() ? 60 : 0));
        return scope;
    }

    private static ScpiInstrument tachometer() {
        ScpiInstrument tachometer = new ScpiInstrument("TACHOMETER");
        tachometer.on("MEASure[:SCALar]:RPM?", p -> ScpiInstrument.print(33.31));
        return tachometer;
    }

    @Override
    public void close() {
        servers.forEach(ScpiServer::close);
    }
}
