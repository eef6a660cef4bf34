package org.umberdial.core.instrument;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

/**
 * One thing an instrument does, and how far it reaches in it. What nobody has said of it is empty, and then bounds
 * nothing.
 *
 * @param input what it puts across the circuit
 * @param accuracy a fraction of the reading
 * @param highest that it shows or gives, in the unit of the kind
 * @param testVolts that it tests with [V], ascending
 * @param outputOhms in series with what it gives [Ω]
 */
public record Ability(
        Equipment kind,
        Optional<Meter> input,
        OptionalDouble accuracy,
        OptionalDouble highest,
        List<Double> testVolts,
        OptionalDouble outputOhms,
        Optional<Response> response) {
    /** What an AC range answers to. */
    public enum Response {
        AVERAGE("answers to the average: right on a sine only"),
        TRUE_RMS("true RMS");

        private final String label;

        Response(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    private static final double MOST_ACCURACY = 0.2;
    private static final double MOST_TEST_VOLTS = 10_000;
    private static final int MOST_TESTS = 12;

    public Ability {
        testVolts = testVolts.stream().distinct().sorted().toList();
        if (accuracy.isPresent() && !(accuracy.getAsDouble() >= 0 && accuracy.getAsDouble() <= MOST_ACCURACY)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A meter's accuracy is 0 to 20 %, not " + plain(100 * accuracy.getAsDouble()) + " %.")
                    .at("accuracyPercent");
        }
        if (testVolts.size() > MOST_TESTS) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Name at most " + MOST_TESTS + " test voltages, as in 250 500 1000.")
                    .at("testVolts");
        }
        within(highest, Double.MIN_NORMAL, Double.MAX_VALUE, "highest", "The highest it shows is above zero");
        within(outputOhms, 0, 1e6, "outputOhms", "An output has 0 Ω to 1 MΩ");
        for (double volts : testVolts) {
            within(OptionalDouble.of(volts), 1, MOST_TEST_VOLTS, "testVolts", "A tester gives 1 to 10000 V");
        }
    }

    /** It does this, and no more is known. */
    public static Ability of(Equipment kind) {
        return new Ability(
                kind,
                Optional.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                List.of(),
                OptionalDouble.empty(),
                Optional.empty());
    }

    /** A voltmeter with what it puts across the circuit. */
    public static Ability voltmeter(Meter input, double accuracy) {
        Ability any = of(Equipment.VOLTMETER);
        return new Ability(
                any.kind,
                Optional.of(input),
                OptionalDouble.of(accuracy),
                any.highest,
                any.testVolts,
                any.outputOhms,
                any.response);
    }

    /** The same, showing or giving no more than this, in the unit of the kind. */
    public Ability upTo(double most) {
        return new Ability(kind, input, accuracy, OptionalDouble.of(most), testVolts, outputOhms, response);
    }

    /** The same, testing at these [V]. */
    public Ability testingAt(Double... volts) {
        return new Ability(kind, input, accuracy, highest, List.of(volts), outputOhms, response);
    }

    /** The same, with this in series with what it gives [Ω]. */
    public Ability through(double ohms) {
        return new Ability(kind, input, accuracy, highest, testVolts, OptionalDouble.of(ohms), response);
    }

    /** The same, answering to this. */
    public Ability answering(Response to) {
        return new Ability(kind, input, accuracy, highest, testVolts, outputOhms, Optional.of(to));
    }

    /** How far it reaches, in a few words; empty when nobody said. */
    public String says() {
        List<String> words = new ArrayList<>();
        input.ifPresent(meter -> words.add(meter.notation()));
        accuracy.ifPresent(a -> words.add("± " + plain(100 * a) + " %"));
        if (!testVolts.isEmpty()) {
            words.add("tests at " + testVolts.stream().map(Ability::plain).collect(Collectors.joining(", ")) + " V");
        }
        highest.ifPresent(h -> words.add("to " + Engineering.round(h, kind.unit())));
        outputOhms.ifPresent(o -> words.add(Engineering.round(o, Unit.OHM) + " output"));
        response.ifPresent(r -> words.add(r.label()));
        return String.join(", ", words);
    }

    private static String plain(double value) {
        return Engineering.digits(BigDecimal.valueOf(value), 3).replaceAll("\\.0+$", "");
    }

    private static void within(OptionalDouble value, double least, double most, String field, String rule) {
        if (value.isPresent() && !(value.getAsDouble() >= least && value.getAsDouble() <= most)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, rule + ", not " + value.getAsDouble() + ".")
                    .at(field);
        }
    }
}
