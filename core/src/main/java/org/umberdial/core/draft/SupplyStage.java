package org.umberdial.core.draft;

import static org.umberdial.core.draft.Board.BPLUS;
import static org.umberdial.core.draft.Board.GROUND;
import static org.umberdial.core.draft.Board.RESERVOIR;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeLimits;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.tube.TubeUse;

/** Line, rectifier, filter: everything that makes the B+. */
final class SupplyStage {
    /** No-load volts over the wanted ones [1]. */
    private static final double UNLOADED = 1.05;
    /** DC of a full-wave rectifier with a capacitor over the RMS of each half, loaded. */
    private static final double FULL_WAVE = 1.2;
    /** RMS volts of a bias winding over the bias it is divided down to. */
    private static final double BIAS_WINDING = 1.4;

    /** A gas rectifier strikes from this on [V RMS]. */
    private static final double GAS_STRIKES = 290;

    private final Board board;
    private final Plan plan;
    private final Cast cast;
    private final Answers answers;
    private final double smallAmperes;
    private final double outputAmperes;
    private final double biasVolts;
    private final List<Double> volts = new ArrayList<>();
    private final List<Double> ohms = new ArrayList<>();
    private final List<String> ends = new ArrayList<>();

    /**
     * @param smallAmperes what the stages behind the filter draw [A]
     * @param outputAmperes what the output stage draws [A]
     * @param biasVolts what the minus lead has to give the output grids, 0 for none [V]
     */
    SupplyStage(
            Board board,
            Plan plan,
            Cast cast,
            Answers answers,
            double smallAmperes,
            double outputAmperes,
            double biasVolts) {
        this.board = board;
        this.plan = plan;
        this.cast = cast;
        this.answers = answers;
        this.smallAmperes = smallAmperes;
        this.outputAmperes = outputAmperes;
        this.biasVolts = biasVolts;
    }

    /** @param windings what the power transformer heats besides: nodes of each winding, its volts and amperes */
    void place(List<HeaterStage.Winding> windings) {
        board.begin(Stage.SUPPLY);
        switch (plan.feed()) {
            case SERIES -> series();
            case TRANSFORMER -> transformer(windings);
            case AUTOTRANSFORMER -> autotransformer(windings);
            case BATTERY -> battery();
            case VIBRATOR -> vibrator();
        }
        board.point(RESERVOIR);
        board.point(BPLUS);
    }

    private void line(String hot) {
        board.card(
                "VLINE",
                List.of(hot, GROUND),
                Optional.of(plan.lineVolts()),
                "",
                plan.hertz(),
                Map.of(),
                "line",
                plan.feed() == Feed.SERIES ? "line, switched side to minus rail" : "line");
    }

    private void series() {
        line("line");
        board.contact("line", "line_sw", "line switch", "");
        board.capacitor("line_sw", GROUND, 0.05e-6, "paper", "line bypass");
        Optional<Fitted> tapped = cast.rectifiers.stream()
                .filter(tube -> tube.type()
                                .flatMap(t -> t.heaterTap().stream().boxed().findFirst())
                                .isPresent()
                        && HeaterStage.isInString(tube, plan.lineVolts()))
                .findFirst();
        halfWave(tapped.isPresent() ? "lamp_tap" : "line_sw");
        filter(GROUND);
        board.resistor("chassis", GROUND, 220e3, "chassis to minus rail");
        board.capacitor("chassis", GROUND, 0.1e-6, "paper", "chassis to minus rail");
    }

    /** From the line straight into a half-wave rectifier, of the line-up or of metal. */
    private void halfWave(String from) {
        Optional<Unit> beside = besideOutput();
        List<Unit> plates = plates();
        if (plates.isEmpty() && beside.isPresent()) {
            plates = List.of(beside.get());
        }
        if (answers.rectifier().filter(Answers.Metal.DOUBLER::equals).isPresent()) {
            doubler(from, GROUND);
            return;
        }
        double surge =
                plates.isEmpty() ? 10 : limits(plates.get(0)).seriesOhms().orElse(33);
        if (plates.isEmpty()) {
            board.wirewound(from, "rectifier", Math.max(surge, 10), "surge");
            metal("rectifier", RESERVOIR, plan.lineVolts());
            return;
        }
        String plate = plates.get(0).node(Electrode.PLATE);
        board.wirewound(from, plate, Math.max(surge, 10), "surge");
        for (Unit unit : plates) {
            board.tube(unit, Map.of(Electrode.PLATE, plate, Electrode.CATHODE, RESERVOIR), "");
        }
    }

    /** A rectifier in the output tube's bulb. */
    private Optional<Unit> besideOutput() {
        return cast.outputs.stream()
                .flatMap(unit -> unit.tube().systems().stream()
                        .filter(system -> system.letter().equals("R"))
                        .map(system -> new Unit(unit.tube(), system)))
                .findFirst();
    }

    private List<Unit> plates() {
        return cast.rectifiers.stream()
                .flatMap(tube -> tube.systems().stream()
                        .map(system -> new Unit(tube, system))
                        .filter(Unit::hasLaw))
                .toList();
    }

    private static TubeLimits limits(Unit unit) {
        return unit.type().limits();
    }

    private void metal(String anode, String cathode, double volts) {
        if (answers.rectifier().filter(Answers.Metal.SELENIUM::equals).isPresent()) {
            double plates = Math.ceil(volts / 26);
            board.card(
                    "XD1",
                    List.of(anode, cathode),
                    Optional.empty(),
                    "SELENIUM",
                    0,
                    new TreeMap<>(Map.of("N", plates, "RS", 2 * plates)),
                    "selenium",
                    "metal rectifier");
        } else {
            board.card(
                    "D1",
                    List.of(anode, cathode),
                    Optional.empty(),
                    "RECT",
                    0,
                    Map.of(),
                    "silicon",
                    "silicon rectifier");
        }
    }

    /** One half-wave lifts the other by the line's peak. */
    private void doubler(String from, String foot) {
        board.wirewound(from, "surge", 22, "surge");
        board.electrolytic("doubler", "surge", 40e-6, "doubler, lifting");
        List<Unit> plates = plates();
        if (plates.size() > 1) {
            board.tube(plates.get(0), Map.of(Electrode.PLATE, foot, Electrode.CATHODE, "doubler"), "");
            board.tube(plates.get(1), Map.of(Electrode.PLATE, "doubler", Electrode.CATHODE, RESERVOIR), "");
            return;
        }
        for (String[] diode : new String[][] {{foot, "doubler"}, {"doubler", RESERVOIR}}) {
            board.card(
                    diode[0].equals(foot) ? "D1" : "D2",
                    List.of(diode),
                    Optional.empty(),
                    "RECT",
                    0,
                    Map.of(),
                    "silicon",
                    "doubler");
        }
    }

    private void transformer(List<HeaterStage.Winding> windings) {
        line("line");
        board.contact("line", "line_sw", "line switch", "");
        double bplusWatts = plan.bplusVolts() * (smallAmperes + outputAmperes) * 1.8;
        double heaterWatts =
                windings.stream().mapToDouble(w -> w.volts() * w.amperes()).sum();
        double primary = 0.02 * plan.lineVolts() * plan.lineVolts() / Math.max(bplusWatts + heaterWatts, 10);
        winding("line_sw", GROUND, plan.lineVolts(), primary);
        String minus = plan.minusLead() ? "hv_minus" : GROUND;
        highVoltage(minus);
        boolean fixed = plan.bias() == Answers.Bias.FIXED && biasVolts >= OutputStages.LEAST_BIAS;
        if (fixed) {
            winding("bias_ac", GROUND, BIAS_WINDING * biasVolts, 60);
        }
        for (HeaterStage.Winding w : windings) {
            for (int half = 0; half < w.nodes().size() - 1; half++) {
                double share = w.volts() / (w.nodes().size() - 1);
                winding(
                        w.nodes().get(half),
                        w.nodes().get(half + 1),
                        share * UNLOADED,
                        0.04 * share / Math.max(w.amperes(), 0.1));
            }
        }
        board.transformer(
                "XT2",
                List.copyOf(ends),
                volts.stream().mapToDouble(Double::doubleValue).toArray(),
                ohms.stream().mapToDouble(Double::doubleValue).toArray(),
                plan.lineVolts() > 180 ? 8 : 4,
                "power transformer");
        filter(minus);
        if (fixed) {
            fixedBias();
        } else if (plan.bias() == Answers.Bias.BACK && plan.filter() != Answers.Filter.FIELD_MINUS) {
            backBias(minus);
        }
    }

    /** A half-wave rectifier the other way round, for the grids alone. */
    private void fixedBias() {
        board.card(
                "D9",
                List.of("bias_raw", "bias_ac"),
                Optional.empty(),
                "RECT",
                0,
                Map.of(),
                "silicon",
                "bias rectifier");
        board.electrolytic(GROUND, "bias_raw", 25e-6, "bias reservoir");
        // Twice the volts are there, unloaded and at the peak; the divider leaves the grids their share.
        double share = 1 / (BIAS_WINDING * Math.sqrt(2) * 0.94);
        board.resistor("bias_raw", "bias", 47e3 * (1 - share), "bias divider, minus side");
        String divider = board.resistor("bias", GROUND, 47e3 * share, "bias divider, chassis side");
        cast.outputs.forEach(unit -> board.cools(unit, divider));
        board.electrolytic(GROUND, "bias", 25e-6, "bias filter");
    }

    /** All that the set draws comes back through a resistor. */
    private void backBias(String minus) {
        double all = Math.max(smallAmperes + outputAmperes, 5e-3);
        String back = board.wirewound(GROUND, minus, Math.max(biasVolts, 0.5) / all, "back bias");
        cast.outputs.forEach(unit -> board.cools(unit, back));
        board.electrolytic(GROUND, minus, 25e-6, "back bias bypass");
        if (biasVolts >= OutputStages.LEAST_BIAS) {
            board.resistor(minus, "bias", 100e3, "bias filter");
            board.capacitor("bias", GROUND, 0.1e-6, "paper", "bias filter");
        }
    }

    private void winding(String a, String b, double noLoad, double resistance) {
        ends.add(a);
        ends.add(b);
        volts.add(noLoad);
        ohms.add(resistance);
    }

    /** The high-voltage winding and what rectifies it. */
    private void highVoltage(String minus) {
        List<Unit> plates = plates();
        double drop = plates.isEmpty() ? 2 : limits(plates.get(0)).dropVolts().orElse(25) * 0.7;
        boolean gas = cast.rectifiers.stream()
                .anyMatch(tube -> tube.type()
                        .filter(t -> t.use() == TubeUse.GAS_RECTIFIER)
                        .isPresent());
        double half = Math.max((reservoirVolts() + drop) / FULL_WAVE, gas ? GAS_STRIKES : 0);
        double copper = Math.max(
                120,
                plates.isEmpty() ? 0 : 0.8 * limits(plates.get(0)).seriesOhms().orElse(0));
        boolean two = !plates.isEmpty() && (plates.get(0).is(Section.FULL_WAVE) || plates.size() > 1);
        if (plates.isEmpty()
                && !answers.rectifier().filter(Answers.Metal.SELENIUM::equals).isPresent()) {
            winding("hv_a", "hv_b", half * 0.95, copper);
            String[][] diodes = {{"hv_a", RESERVOIR}, {"hv_b", RESERVOIR}, {minus, "hv_a"}, {minus, "hv_b"}};
            for (int i = 0; i < diodes.length; i++) {
                board.card(
                        "D" + (i + 1),
                        List.of(diodes[i]),
                        Optional.empty(),
                        "RECT",
                        0,
                        Map.of(),
                        "silicon",
                        "bridge rectifier");
            }
            return;
        }
        if (!two) {
            winding("hv_a", minus, half * 1.05, copper);
            if (plates.isEmpty()) {
                metal("hv_a", RESERVOIR, 1.1 * half);
            } else {
                board.tube(plates.get(0), Map.of(Electrode.PLATE, "hv_a", Electrode.CATHODE, RESERVOIR), "");
            }
            return;
        }
        winding("hv_a", minus, half, copper);
        winding(minus, "hv_b", half, copper * 1.06);
        if (plates.get(0).is(Section.FULL_WAVE)) {
            plates.stream()
                    .filter(unit -> unit.is(Section.FULL_WAVE))
                    .forEach(unit -> board.tube(
                            unit,
                            Map.of(Electrode.PLATE, "hv_a", Electrode.PLATE2, "hv_b", Electrode.CATHODE, RESERVOIR),
                            ""));
        } else {
            board.tube(plates.get(0), Map.of(Electrode.PLATE, "hv_a", Electrode.CATHODE, RESERVOIR), "");
            board.tube(plates.get(1), Map.of(Electrode.PLATE, "hv_b", Electrode.CATHODE, RESERVOIR), "");
        }
    }

    private void autotransformer(List<HeaterStage.Winding> windings) {
        line("line");
        board.contact("line", "line_sw", "line switch", "");
        double half = plan.lineVolts() / 2;
        winding("line_mid", GROUND, half, 9);
        winding("line_sw", "line_mid", half, 12);
        for (HeaterStage.Winding w : windings) {
            winding(
                    w.nodes().get(0),
                    w.nodes().get(1),
                    w.volts() * UNLOADED,
                    0.04 * w.volts() / Math.max(w.amperes(), 0.1));
        }
        board.transformer(
                "XT2",
                List.copyOf(ends),
                volts.stream().mapToDouble(Double::doubleValue).toArray(),
                ohms.stream().mapToDouble(Double::doubleValue).toArray(),
                10,
                "autotransformer");
        halfWave("line_sw");
        filter(GROUND);
    }

    private void battery() {
        board.card("VA", List.of("a_plus", GROUND), Optional.of(plan.lineVolts()), "", 0, Map.of(), "", "A battery");
        board.contact("a_plus", "fil", "switch, filament side", "");
        board.card(
                "VB",
                List.of("b_battery", "b_minus"),
                Optional.of(plan.bplusVolts()),
                "",
                0,
                Map.of(),
                "",
                "B battery");
        board.contact("b_battery", BPLUS, "switch, B side", "");
        board.electrolytic(BPLUS, GROUND, 8e-6, "battery bypass");
        double amperes = Math.max(smallAmperes + outputAmperes, 1e-3);
        String back = board.wirewound("b_minus", GROUND, Math.max(biasVolts, 0.5) / amperes, "back bias");
        cast.outputs.forEach(unit -> board.cools(unit, back));
        board.electrolytic(GROUND, "b_minus", 25e-6, "back bias bypass");
        if (biasVolts >= OutputStages.LEAST_BIAS) {
            board.resistor("b_minus", "bias", 100e3, "bias filter");
            board.capacitor("bias", GROUND, 0.1e-6, "paper", "bias filter");
        }
    }

    private void vibrator() {
        board.card(
                "VVIB",
                List.of("buzz", GROUND),
                Optional.of(plan.lineVolts() * 0.92),
                "",
                plan.hertz(),
                Map.of(),
                "line",
                "vibrator, as alternating voltage across half the primary");
        board.contact("buzz", "vibrator", "vibrator contacts", "");
        board.card("VA", List.of("accu", GROUND), Optional.of(plan.lineVolts()), "", 0, Map.of(), "", "accumulator");
        winding("vibrator", GROUND, plan.lineVolts(), 0.15);
        highVoltage(GROUND);
        board.transformer(
                "XT2",
                List.copyOf(ends),
                volts.stream().mapToDouble(Double::doubleValue).toArray(),
                ohms.stream().mapToDouble(Double::doubleValue).toArray(),
                0.05,
                "vibrator transformer");
        board.capacitor(
                "hv_a",
                plates().isEmpty() || plates().get(0).is(Section.FULL_WAVE) ? "hv_b" : GROUND,
                7.5e-9,
                "paper",
                "buffer");
        filter(GROUND);
    }

    /** What the reservoir stands at, from what the stages want. */
    private double reservoirVolts() {
        return switch (plan.filter()) {
            case RESISTOR -> plan.outputVolts();
            case CHOKE -> plan.outputVolts() + 350 * (smallAmperes + outputAmperes);
            case FIELD_PLUS -> plan.outputVolts() + fieldVolts();
            case FIELD_MINUS -> plan.outputVolts() + fieldVolts();
        };
    }

    private double fieldVolts() {
        return Math.max(0.3 * plan.bplusVolts(), 4 * biasVolts);
    }

    private void filter(String minus) {
        double all = Math.max(smallAmperes + outputAmperes, 5e-3);
        double farads = plan.bplusVolts() < 160 ? 50e-6 : 16e-6;
        OptionalDouble most = cast.rectifiers.stream()
                .flatMap(tube -> tube.type().stream())
                .map(TubeType::limits)
                .flatMapToDouble(limits -> limits.reservoirFarads().stream())
                .min();
        board.electrolytic(RESERVOIR, minus, Math.min(farads, most.orElse(farads)), "reservoir");
        boolean apart = plan.outputRail().equals(Board.OUTPUT_FEED);
        String rail = apart ? Board.OUTPUT_FEED : BPLUS;
        switch (plan.filter()) {
            case RESISTOR -> {
                double through = Math.max(smallAmperes, 3e-3);
                board.wirewound(
                        RESERVOIR, BPLUS, Math.max((plan.outputVolts() - plan.bplusVolts()) / through, 100), "filter");
            }
            case CHOKE -> board.coil(RESERVOIR, rail, 10, 350, "filter choke");
            case FIELD_PLUS ->
                board.coil(RESERVOIR, rail, 12, Board.usual(fieldVolts() / all), "speaker field as filter choke");
            case FIELD_MINUS -> {
                board.wirewound(RESERVOIR, rail, 10, "B+ lead");
                board.coil(GROUND, minus, 12, Board.usual(fieldVolts() / all), "speaker field in the minus lead");
                if (plan.bias() != Answers.Bias.BACK || biasVolts < OutputStages.LEAST_BIAS) {
                    break;
                }
                double share = biasVolts / fieldVolts();
                board.resistor(minus, "bias_tap", 470e3 * (1 - share), "bias divider, minus side");
                String divider = board.resistor("bias_tap", GROUND, 470e3 * share, "bias divider, chassis side");
                cast.outputs.forEach(unit -> board.cools(unit, divider));
                board.resistor("bias_tap", "bias", 100e3, "bias filter");
                board.capacitor("bias", GROUND, 0.25e-6, "paper", "bias filter");
            }
        }
        if (apart) {
            board.electrolytic(rail, GROUND, 16e-6, "filter");
            board.wirewound(
                    rail,
                    BPLUS,
                    (plan.outputVolts() - plan.bplusVolts()) / Math.max(smallAmperes, 3e-3),
                    "dropper of the small stages");
        }
        board.electrolytic(BPLUS, GROUND, plan.bplusVolts() < 160 ? 30e-6 : 16e-6, "filter");
    }
}
