package org.umberdial.core.draft;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.tube.TubeUse;

/** What a set is fed with, from what is said and from what the heaters say. */
final class Planner {
    private static final double AMERICAN_LINE = 117;
    private static final double EUROPEAN_LINE = 230;
    /** A vibrator's reed [Hz]. */
    private static final double REED_HERTZ = 115;
    /** How near to a rating a draft comes, lines and windings being what they are. */
    private static final double SAFE = 0.94;
    /** Tubes for the twelve volts of a car stand no more on their plates [V]. */
    private static final double LOW_VOLTAGE = 40;
    /** A heater of as many volts stands across the line by itself [V]. */
    private static final double LINE_HEATER = 100;
    /** No transformer of a set heats a tube with more; such a heater is made for a string [V]. */
    private static final double STRING_HEATER = 24;
    /** Strings of that many times the American line were made for the European [1]. */
    private static final double TOO_MUCH = 1.2;
    /** Currents of one string agree within this. */
    private static final double ALIKE = 0.06;
    /** Highest B+ a home radio is drafted for, whatever its output tube would stand [V]. */
    private static final double ORDINARY_BPLUS = 265;

    private final List<Fitted> tubes;
    private final Answers answers;
    private final Cast cast;

    Planner(LineUp lineUp, Answers answers, Cast cast) {
        this.tubes = lineUp.tubes().stream()
                .filter(tube -> !cast.ballasts.contains(tube))
                .toList();
        this.answers = answers;
        this.cast = cast;
    }

    Plan plan() {
        Feed feed = answers.feed().orElseGet(this::feed);
        double line = answers.lineVolts().orElseGet(() -> line(feed));
        double hertz = feed == Feed.VIBRATOR ? REED_HERTZ : line > 160 ? 50 : 60;
        Answers.Filter said = answers.filter().orElseGet(() -> filter(feed));
        // Only a winding's own minus lead can have a coil in it.
        Answers.Filter filter =
                said == Answers.Filter.FIELD_MINUS && feed != Feed.TRANSFORMER ? Answers.Filter.FIELD_PLUS : said;
        return switch (feed) {
            case SERIES, AUTOTRANSFORMER -> {
                double reservoir = line * (doubled() ? 2.1 : metal() ? 1.27 : 1.04);
                double bplus = Math.min(
                        reservoir * (filter == Answers.Filter.RESISTOR ? 0.86 : 0.8),
                        SAFE * Math.min(smallTubesStand(), outputsStand()));
                boolean resistor = filter == Answers.Filter.RESISTOR && outputsStand() > reservoir;
                yield new Plan(
                        feed,
                        line,
                        hertz,
                        bplus,
                        resistor ? reservoir : bplus,
                        resistor ? Board.RESERVOIR : Board.BPLUS,
                        filter,
                        bias(feed, filter));
            }
            case BATTERY -> {
                double b = battery();
                yield new Plan(feed, line, 0, b, b, Board.BPLUS, filter, Answers.Bias.BACK);
            }
            default -> {
                double output = outputVolts(feed);
                double bplus = filter == Answers.Filter.RESISTOR ? 0.9 * output : output;
                double most = smallTubesStand();
                // Old small tubes stand less than their output tube wants: they get a dropper of their own.
                boolean apart = most < 1.05 * bplus;
                yield new Plan(
                        feed,
                        line,
                        hertz,
                        Math.min(bplus, SAFE * most),
                        output,
                        apart && filter != Answers.Filter.RESISTOR ? Board.OUTPUT_FEED : rail(filter),
                        filter,
                        bias(feed, filter));
            }
        };
    }

    /** Only a transformer's minus lead, or a winding of it, can make a grid negative against the chassis. */
    private Answers.Bias bias(Feed feed, Answers.Filter filter) {
        Answers.Bias usual = filter == Answers.Filter.FIELD_MINUS ? Answers.Bias.BACK : Answers.Bias.CATHODE;
        return feed == Feed.TRANSFORMER ? answers.bias().orElse(usual) : usual;
    }

    /** The lowest plate rating of what is not an output tube [V]. */
    private double smallTubesStand() {
        boolean filamentOutputs =
                cast.outputs.size() > 1 && cast.outputs.get(0).tube().isFilament();
        return tubes.stream()
                .flatMap(tube -> tube.systems().stream().map(system -> new Unit(tube, system)))
                .filter(unit -> !unit.isOutput() && unit.system().section().amplifies())
                // A triode has a resistor before its plate, unless it drives a transformer.
                .filter(unit -> !unit.is(Section.TRIODE)
                        || filamentOutputs && unit.system().letter().isEmpty())
                .flatMapToDouble(
                        unit -> unit.near(250).map(TubePoint::mostPlateVolts).orElse(OptionalDouble.empty()).stream())
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    /** Whether no tube rectifies. */
    private boolean metal() {
        return cast.rectifiers.isEmpty()
                && cast.outputs.stream()
                        .noneMatch(unit -> unit.tube().systems().stream()
                                .anyMatch(system -> system.letter().equals("R")));
    }

    private double outputsStand() {
        return cast.outputs.stream()
                .flatMapToDouble(
                        unit -> unit.near(120).map(TubePoint::mostPlateVolts).orElse(OptionalDouble.empty()).stream())
                .min()
                .orElse(Double.POSITIVE_INFINITY);
    }

    private boolean doubled() {
        return answers.rectifier().filter(Answers.Metal.DOUBLER::equals).isPresent();
    }

    /** Behind a resistor only the small stages; a choke carries all of it. */
    private static String rail(Answers.Filter filter) {
        return filter == Answers.Filter.RESISTOR ? Board.RESERVOIR : Board.BPLUS;
    }

    /**
     * A string has one current and unequal volts that near a line's; filaments of a volt or two without a rectifier are
     * a battery's; a gas rectifier belongs to a vibrator; anything else hangs on a transformer.
     */
    private Feed feed() {
        List<Fitted> heated = tubes.stream()
                .filter(tube -> tube.volts().isPresent() && tube.amperes().isPresent())
                .toList();
        if (cast.rectifiers.stream()
                .anyMatch(tube -> tube.type()
                        .filter(t -> t.use() == TubeUse.GAS_RECTIFIER)
                        .isPresent())) {
            return Feed.VIBRATOR;
        }
        if (smallTubesStand() < LOW_VOLTAGE) {
            return Feed.BATTERY;
        }
        boolean filaments = !heated.isEmpty()
                && heated.stream()
                        .allMatch(tube -> tube.isFilament() && tube.volts().orElse(9) <= 3.2);
        if (filaments && cast.rectifiers.isEmpty()) {
            return Feed.BATTERY;
        }
        List<Fitted> string = heated.stream()
                .filter(tube -> tube.volts().orElse(0) < LINE_HEATER)
                .toList();
        double[] amperes = string.stream()
                .mapToDouble(tube -> tube.amperes().orElse(0))
                .sorted()
                .toArray();
        if (string.isEmpty()) {
            return heated.isEmpty() ? Feed.TRANSFORMER : Feed.SERIES;
        }
        double median = amperes[amperes.length / 2];
        long alike = DoubleStream.of(amperes)
                .filter(a -> Math.abs(a / median - 1) <= ALIKE)
                .count();
        boolean oneCurrent = alike == amperes.length || amperes.length > 3 && alike == amperes.length - 1;
        double high = string.stream()
                .mapToDouble(tube -> tube.volts().orElse(0))
                .max()
                .orElse(0);
        double low = string.stream()
                .mapToDouble(tube -> tube.volts().orElse(0))
                .min()
                .orElse(0);
        boolean unequal = high > 1.5 * low && high > 13 || high > STRING_HEATER;
        boolean filamentRectifier = cast.rectifiers.stream().anyMatch(Fitted::isFilament);
        boolean lineHeater = heated.size() > string.size();
        if (oneCurrent && (unequal || lineHeater) && !filamentRectifier) {
            return Feed.SERIES;
        }
        boolean lineRectifier =
                cast.rectifiers.stream().anyMatch(tube -> tube.volts().orElse(0) > 24 && !tube.isFilament());
        if (lineRectifier && !oneCurrent) {
            return Feed.AUTOTRANSFORMER;
        }
        return high > STRING_HEATER ? Feed.SERIES : Feed.TRANSFORMER;
    }

    private double line(Feed feed) {
        if (feed == Feed.BATTERY) {
            double volts = tubes.stream()
                    .flatMapToDouble(tube -> tube.volts().stream())
                    .filter(v -> v > 0)
                    .min()
                    .orElse(1.4);
            return volts;
        }
        if (feed == Feed.VIBRATOR) {
            double most = tubes.stream()
                    .flatMapToDouble(tube -> tube.volts().stream())
                    .max()
                    .orElse(6.3);
            return most > 9 ? 12.6 : 6.3;
        }
        double sum = tubes.stream()
                .filter(tube -> tube.amperes().isPresent())
                .flatMapToDouble(tube -> tube.volts().stream())
                .filter(volts -> volts < LINE_HEATER)
                .sum();
        if (feed == Feed.SERIES) {
            return european() || sum > TOO_MUCH * AMERICAN_LINE
                    ? (sum > 1.09 * EUROPEAN_LINE ? sum : 220)
                    : AMERICAN_LINE;
        }
        return european() ? EUROPEAN_LINE : AMERICAN_LINE;
    }

    /** European numbers begin with letters. */
    private boolean european() {
        long letters = tubes.stream()
                .filter(tube -> Character.isLetter(tube.typed().charAt(0)))
                .count();
        return 2 * letters > tubes.size();
    }

    private Answers.Filter filter(Feed feed) {
        return feed == Feed.TRANSFORMER && cast.rectifiers.stream().anyMatch(Fitted::isFilament)
                ? Answers.Filter.CHOKE
                : Answers.Filter.RESISTOR;
    }

    /** The published plate voltage an ordinary set would give the output tube. */
    private double outputVolts(Feed feed) {
        double most = feed == Feed.VIBRATOR ? 230 : ORDINARY_BPLUS;
        Optional<Unit> output = cast.outputs.stream().findFirst();
        return output.stream()
                .flatMap(unit -> unit.type().points().stream())
                .filter(point ->
                        point.plateAmperes().isPresent() && point.plateVolts().isPresent())
                .filter(point -> point.plateVolts().getAsDouble() <= most)
                .mapToDouble(point -> Math.min(
                                point.plateVolts().getAsDouble(),
                                SAFE * point.mostPlateVolts().orElse(most))
                        + Math.abs(point.gridVolts().orElse(0)))
                .max()
                .orElse(output.isPresent() ? most : 220);
    }

    private double battery() {
        return cast.outputs.stream()
                .findFirst()
                .flatMap(unit -> unit.type().points().stream()
                        .filter(point -> point.plateAmperes().isPresent())
                        .min(Comparator.comparingInt(TubePoint::number))
                        .map(point -> point.plateVolts().orElse(90)))
                .filter(volts -> volts <= 140)
                .orElse(Math.min(90.0, 0.9 * smallTubesStand()));
    }
}
