package org.umberdial.core.draft;

import static org.umberdial.core.draft.Board.AVC;
import static org.umberdial.core.draft.Board.BPLUS;
import static org.umberdial.core.draft.Board.GROUND;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.tube.TubeUse;

/** What handles radio frequency, up to the detectors. */
final class RadioStages {
    private static final double IF_COIL_HENRIES = 1e-3;
    private static final double IF_COIL_OHMS = 12;
    /** A screen nearer to its supply than this is tied to it. */
    private static final double TIED_SCREEN = 0.9;

    private final Board board;
    private final Plan plan;
    private final Cast cast;
    /** Where the next stage's signal comes from: the end of a coil. */
    private String coupled = "";

    RadioStages(Board board, Plan plan, Cast cast) {
        this.board = board;
        this.plan = plan;
        this.cast = cast;
    }

    /** Grounded or cathode-biased triode RF, then a self-oscillating mixer, both from the FM supply. */
    void fmFront() {
        board.begin(Stage.FM_FRONT);
        board.contact(BPLUS, "fm_feed", "band switch, FM", "FM");
        Unit first = cast.fmFront.get(0);
        boolean pair = cast.fmFront.size() > 1;
        if (pair) {
            String cathode = first.node(Electrode.CATHODE);
            TubePoint point = first.near(plan.bplusVolts()).orElseThrow();
            board.resistor(
                    cathode,
                    GROUND,
                    Math.max(
                            Math.abs(point.gridVolts().orElse(2))
                                    / point.plateAmperes().orElse(0.01),
                            100),
                    "cathode bias");
            board.capacitor(cathode, GROUND, 1e-9, "ceramic", "cathode bypass");
            board.resistor(first.node(Electrode.GRID), GROUND, 1e6, "grid leak");
            if (first.is(Section.PENTODE)) {
                screen(first, "fm_feed", point);
            }
            board.tube(first, Map.of(Electrode.CATHODE, cathode), "");
            board.resistor("fm_feed", first.node(Electrode.PLATE), 4.7e3, "RF plate load");
        }
        Unit mixer = cast.fmFront.get(pair ? 1 : 0);
        board.resistor(mixer.node(Electrode.GRID), GROUND, 1e6, "mixer grid leak");
        board.tube(mixer, Map.of(Electrode.CATHODE, GROUND), "oscillator");
        board.resistor("fm_feed", mixer.node(Electrode.PLATE), 10e3, "mixer plate load");
    }

    /** Where controlled grids return: nothing controls them behind a detector without a diode. */
    private String avc() {
        return cast.gridDetector.isPresent() ? GROUND : AVC;
    }

    void rfStage(Unit unit, int number) {
        board.begin(Stage.RF);
        String grid = unit.node(Electrode.GRID);
        board.coil(avc(), grid, 0.2e-3, 4, number == 0 ? "aerial coil" : "RF coil");
        amplifying(unit, plan.bplusVolts());
        board.coil(BPLUS, unit.node(Electrode.PLATE), IF_COIL_HENRIES, IF_COIL_OHMS, "RF coil, primary");
    }

    void converter() {
        board.begin(Stage.CONVERTER);
        Unit mixer = cast.converter.orElseThrow();
        boolean rfBefore = !cast.rf.isEmpty();
        boolean signalOnFirst = signalOnFirst(mixer);
        Electrode signal = signalOnFirst ? Electrode.GRID : Electrode.GRID3;
        Electrode injection = signalOnFirst ? Electrode.GRID3 : Electrode.GRID;
        String signalNode = signalOnFirst ? mixer.node(Electrode.GRID) : mixer.node(Electrode.GRID3);
        Optional<Unit> triode = cast.oscillator;
        String oscillatorGrid =
                triode.isPresent() && signalOnFirst ? triode.get().node(Electrode.GRID) : mixer.prefix() + "_osc";
        board.coil(avc(), signalNode, 0.2e-3, 4, rfBefore ? "RF coil, secondary" : "aerial coil");
        Map<Electrode, String> at = new HashMap<>(Map.of(signal, signalNode, injection, oscillatorGrid));
        boolean selfOscillating = triode.isEmpty() && mixer.use() == TubeUse.CONVERTER_PENTAGRID;
        String cathode = GROUND;
        if (selfOscillating && !mixer.tube().isFilament()) {
            cathode = mixer.node(Electrode.CATHODE);
            board.coil(cathode, GROUND, 0.1e-3, 0.8, "oscillator coil, tap to chassis");
        } else if (!mixer.tube().isFilament()) {
            cathode = cathode(mixer);
        }
        at.put(Electrode.CATHODE, cathode);
        double leak = mixer.tube().isFilament() ? 100e3 : selfOscillating ? 22e3 : 47e3;
        board.resistor(oscillatorGrid, selfOscillating ? GROUND : cathode, leak, "oscillator grid leak");
        board.capacitor(
                oscillatorGrid,
                selfOscillating && !cathode.equals(GROUND) ? cathode : mixer.prefix() + "_tank",
                56e-12,
                "mica",
                "oscillator grid");
        if (!selfOscillating || cathode.equals(GROUND)) {
            board.coil(mixer.prefix() + "_tank", GROUND, 0.1e-3, 2, "oscillator coil");
        }
        TubePoint point = mixer.near(plan.bplusVolts()).orElseThrow();
        at.put(Electrode.SCREEN, screen(mixer, BPLUS, point));
        board.tube(mixer, at, "");
        String oscillatorCathode = cathode;
        triode.ifPresent(t -> oscillator(t, mixer, oscillatorGrid, oscillatorCathode));
        ifTransformer(mixer, "first IF");
    }

    /**
     * A hexode takes the signal on its first grid; a pentagrid, and a hexode with its cap on the third, on that one.
     */
    private static boolean signalOnFirst(Unit mixer) {
        return mixer.use() == TubeUse.MIXER
                || mixer.use() != TubeUse.CONVERTER_PENTAGRID
                        && !mixer.system()
                                .pins()
                                .getOrDefault(Electrode.GRID3, List.of())
                                .contains("cap");
    }

    private void oscillator(Unit triode, Unit mixer, String grid, String cathode) {
        String plate = triode.node(Electrode.PLATE);
        String feed = BPLUS;
        if (cast.isFm()) {
            feed = triode.prefix() + "_feed";
            board.contact(BPLUS, feed, "band switch, oscillator", "AM");
        }
        double wanted = Math.min(100, 0.6 * plan.bplusVolts());
        double amperes = triode.type().points().stream()
                .filter(point -> point.kind().endsWith("osc") || point.kind().equals("osc_plate"))
                .flatMap(point -> point.plateAmperes().stream().boxed())
                .findFirst()
                .orElse(4e-3);
        board.resistor(feed, plate, Math.max((plan.bplusVolts() - wanted) / amperes, 1e3), "oscillator plate feed");
        String at = triode.tube().equals(mixer.tube()) ? cathode : GROUND;
        board.tube(triode, Map.of(Electrode.GRID, grid, Electrode.CATHODE, at), "oscillator");
    }

    /** An IF stage whose grid hangs on the transformer before it. */
    void ifStage(Unit unit, int number) {
        board.begin(Stage.IF);
        boolean controlled =
                unit.use() == TubeUse.PENTODE_REMOTE || unit.use() == TubeUse.PENTODE_DIODE || !cast.isFm();
        String grid = unit.node(Electrode.GRID);
        board.coil(
                controlled ? avc() : GROUND, grid, IF_COIL_HENRIES, IF_COIL_OHMS, ordinal(number) + " IF, secondary");
        if (unit.is(Section.HEPTODE)) {
            hexodeAtIf(unit, grid);
        } else {
            amplifying(unit, plan.bplusVolts());
        }
        ifTransformer(unit, ordinal(number + 1) + " IF");
        coupled = ordinal(number + 1) + " IF, secondary";
    }

    /** A second converter bulb: its third grid rests at its cathode. */
    private void hexodeAtIf(Unit unit, String grid) {
        String cathode = unit.tube().isFilament() ? GROUND : cathode(unit);
        TubePoint point = unit.near(plan.bplusVolts()).orElseThrow();
        board.tube(
                unit,
                Map.of(
                        Electrode.GRID,
                        grid,
                        Electrode.GRID3,
                        cathode,
                        Electrode.CATHODE,
                        cathode,
                        Electrode.SCREEN,
                        screen(unit, BPLUS, point)),
                "");
    }

    private static String ordinal(int number) {
        return number == 0 ? "first" : number == 1 ? "second" : number == 2 ? "third" : (number + 1) + "th";
    }

    private void ifTransformer(Unit unit, String name) {
        board.coil(BPLUS, unit.node(Electrode.PLATE), IF_COIL_HENRIES, IF_COIL_OHMS, name + ", primary");
        coupled = name + ", secondary";
    }

    /** A pentode in a tuned stage: its screen fed, its cathode biased. */
    private void amplifying(Unit unit, double supply) {
        TubePoint point = unit.near(supply).orElseThrow();
        Map<Electrode, String> at = new HashMap<>();
        at.put(Electrode.CATHODE, unit.tube().isFilament() ? GROUND : cathode(unit));
        if (unit.is(Section.PENTODE)) {
            at.put(Electrode.SCREEN, screen(unit, BPLUS, point));
        }
        board.tube(unit, at, "");
    }

    private String cathode(Unit unit) {
        TubePoint point = unit.near(plan.bplusVolts()).orElseThrow();
        double bias = unit.is(Section.HEPTODE) && !signalOnFirst(unit)
                ? Math.abs(point.grid3Volts().orElse(-2))
                : Math.abs(point.gridVolts().orElse(-1));
        double amperes = point.plateAmperes().orElse(5e-3)
                + point.screenAmperes().orElse(2e-3)
                + (unit.is(Section.HEPTODE)
                                && cast.oscillator
                                        .filter(t -> t.tube().equals(unit.tube()))
                                        .isPresent()
                        ? 4e-3
                        : 0);
        String cathode = unit.node(Electrode.CATHODE);
        board.cools(unit, board.resistor(cathode, GROUND, Math.max(bias, 0.6) / amperes, "cathode bias"));
        board.capacitor(cathode, GROUND, 0.05e-6, "paper", "cathode bypass");
        return cathode;
    }

    /** Ties a screen to the supply or feeds it through a dropper; gives its node. */
    private String screen(Unit unit, String supply, TubePoint point) {
        double wanted = point.screenVolts().orElse(plan.bplusVolts());
        if (wanted > TIED_SCREEN * plan.bplusVolts()) {
            return supply;
        }
        String node = unit.node(Electrode.SCREEN);
        board.cools(
                unit,
                board.resistor(
                        supply,
                        node,
                        (plan.bplusVolts() - wanted) / point.screenAmperes().orElse(2e-3),
                        "screen dropper"));
        board.capacitor(node, GROUND, 0.05e-6, "paper", "screen bypass");
        return node;
    }

    /**
     * The diode detector with its filter and the AVC line; the audio is at {@code audio}.
     *
     * @param foot what the detector returns to: its cathode
     */
    void detector(String foot) {
        board.begin(Stage.DETECTOR);
        Unit diode = detectorDiode();
        board.coil("diode", "detector", IF_COIL_HENRIES, IF_COIL_OHMS, coupled.isEmpty() ? "RF coil" : coupled);
        board.tube(diode, Map.of(Electrode.PLATE, "diode", Electrode.CATHODE, foot), "");
        for (Unit other : cast.diodes) {
            boolean beside = other.tube().equals(diode.tube()) && !other.equals(diode) && !isRatio(other);
            if (beside) {
                String cathode = other.use() == TubeUse.DIODE_DOUBLE ? GROUND : foot;
                board.tied(other, Map.of(Electrode.PLATE, "diode", Electrode.CATHODE, cathode));
            }
        }
        board.capacitor("detector", foot, 100e-12, "mica", "IF filter");
        board.resistor("detector", "audio", 47e3, "IF filter");
        board.capacitor("audio", foot, 100e-12, "mica", "IF filter");
        avcFilter();
    }

    /** The same with a crystal or a metal diode, where no tube of the line-up has one. */
    void crystalDetector() {
        board.begin(Stage.DETECTOR);
        board.say("No tube of the line-up has a diode or is a detector; a crystal or metal diode is drafted.");
        board.coil("diode", "detector", IF_COIL_HENRIES, IF_COIL_OHMS, "IF, secondary");
        board.card("D9", List.of("diode", GROUND), Optional.empty(), "RECT", 0, Map.of(), "silicon", "detector");
        board.resistor("detector", "audio", 47e3, "IF filter");
        board.capacitor("detector", GROUND, 100e-12, "mica", "IF filter");
        avcFilter();
    }

    private void avcFilter() {
        board.resistor("audio", AVC, 2.2e6, "AVC filter");
        board.capacitor(AVC, GROUND, 0.05e-6, "paper", "AVC filter");
    }

    /** The diode that detects AM. */
    Unit detectorDiode() {
        return cast.diodes.stream().filter(unit -> !isRatio(unit)).findFirst().orElse(cast.diodes.get(0));
    }

    /** Diodes two and three of one bulb, or a double diode beside another: they take FM. */
    boolean isRatio(Unit diode) {
        return cast.isFm() && ratio().contains(diode);
    }

    List<Unit> ratio() {
        List<Unit> apart = cast.diodes.stream()
                .filter(unit -> unit.use() == TubeUse.DIODE_DOUBLE)
                .limit(2)
                .toList();
        if (apart.size() == 2 && cast.isFm() && cast.diodes.size() > 2) {
            return apart;
        }
        List<Unit> inOne = cast.diodes.stream()
                .filter(unit -> unit.system().letter().matches("D[23]"))
                .toList();
        return inOne.size() == 2 ? inOne : List.of();
    }

    /** A ratio detector: one diode forward, one back, a large capacitor across what they give. */
    void ratioDetector() {
        List<Unit> pair = ratio();
        if (pair.isEmpty()) {
            return;
        }
        board.begin(Stage.RATIO_DETECTOR);
        String up = pair.get(0).prefix() + "_ratio_up";
        String down = pair.get(0).prefix() + "_ratio_down";
        board.coil(up, "ratio_mid", IF_COIL_HENRIES, 2, "ratio transformer, upper half");
        board.coil("ratio_mid", down, IF_COIL_HENRIES, 2, "ratio transformer, lower half");
        board.tube(pair.get(0), Map.of(Electrode.PLATE, "ratio_minus", Electrode.CATHODE, up), "");
        board.tube(pair.get(1), Map.of(Electrode.PLATE, down, Electrode.CATHODE, GROUND), "");
        board.electrolytic(GROUND, "ratio_minus", 4e-6, "ratio stabilizer");
        board.resistor("ratio_minus", GROUND, 33e3, "ratio load");
        board.coil("ratio_mid", "fm_tap", 0.1e-3, 1, "ratio transformer, tertiary");
        board.capacitor("fm_tap", GROUND, 330e-12, "ceramic", "IF bypass");
        board.resistor("fm_tap", "fm_audio", 47e3, "de-emphasis");
        board.capacitor("fm_audio", GROUND, 1e-9, "ceramic", "de-emphasis");
        board.contact("fm_audio", "source", "band switch, FM audio", "FM");
        board.contact("audio", "source", "band switch, AM audio", "AM");
        board.resistor("audio", GROUND, 470e3, "AM detector load");
    }

    /** A detector without a diode: a tube so biased that it barely conducts. */
    String gridDetector(Unit unit) {
        board.begin(Stage.DETECTOR);
        String grid = unit.node(Electrode.GRID);
        board.coil(GROUND, grid, 0.2e-3, 4, "RF coil, secondary");
        String cathode = unit.node(Electrode.CATHODE);
        board.resistor(cathode, GROUND, unit.is(Section.PENTODE) ? 10e3 : 22e3, "detector bias");
        board.capacitor(cathode, GROUND, 0.5e-6, "paper", "cathode bypass");
        Map<Electrode, String> at = new HashMap<>(Map.of(Electrode.CATHODE, cathode));
        if (unit.is(Section.PENTODE)) {
            String screen = unit.node(Electrode.SCREEN);
            board.resistor(BPLUS, screen, 1e6, "screen dropper");
            board.capacitor(screen, GROUND, 0.1e-6, "paper", "screen bypass");
            at.put(Electrode.SCREEN, screen);
        }
        board.tube(unit, at, "");
        board.resistor(BPLUS, unit.node(Electrode.PLATE), unit.is(Section.PENTODE) ? 220e3 : 100e3, "plate load");
        board.capacitor(unit.node(Electrode.PLATE), GROUND, 250e-12, "mica", "plate RF bypass");
        return unit.node(Electrode.PLATE);
    }
}
