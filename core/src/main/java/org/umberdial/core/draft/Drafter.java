package org.umberdial.core.draft;

import static org.umberdial.core.draft.Board.GROUND;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Eyes;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.tube.TubePoint;
import org.umberdial.core.tube.TubeUse;

/** Drafts a set from its line-up. */
public final class Drafter {
    /** A silicon rectifier of one ampere. */
    private static final Map<String, Double> SILICON = new TreeMap<>(Map.of("IS", 1e-9, "N", 1.8, "RS", 0.05));

    private final TubeModels models;

    public Drafter(TubeModels models) {
        this.models = models;
    }

    /** The circuit such a line-up usually has, with the answers where the tubes leave a choice. */
    public Draft draft(LineUp lineUp, Answers answers) {
        return new Drafting(lineUp, answers).draft();
    }

    /**
     * The parts of {@link #draft} and their ends, with values that are not yet brought to where they work: what a
     * circuit is compared by, a hundred times as fast.
     */
    public Deck sketch(LineUp lineUp, Answers answers) {
        Drafting drafting = new Drafting(lineUp, answers);
        drafting.place();
        return drafting.deck();
    }

    /** One draft in the making. */
    private final class Drafting {
        private final LineUp lineUp;
        private final Answers answers;
        private final Cast cast;
        private final Board board = new Board();
        private final Plan plan;
        private final OutputStages outputs;
        private final AudioStages audio;
        private final RadioStages radio;

        Drafting(LineUp lineUp, Answers answers) {
            this.lineUp = lineUp;
            this.answers = answers;
            this.cast = new Cast(lineUp, answers);
            this.plan = new Planner(lineUp, answers, cast).plan();
            this.outputs = new OutputStages(board, plan);
            this.audio = new AudioStages(board, plan, models);
            this.radio = new RadioStages(board, plan, cast);
        }

        Draft draft() {
            place();
            List<String> trimmed = new Trim(board, plan, models).run(this::deck);
            List<String> says = new ArrayList<>(board.says());
            says.addAll(trimmed);
            return new Draft(deck(), plan.feed(), plan.lineVolts(), says);
        }

        private void place() {
            unknown();
            String source = radioStages();
            audioStages(source);
            List<HeaterStage.Winding> windings = new HeaterStage(board, plan, cast, lineUp.tubes()).place(outputs);
            double bias = plan.negativeGrids() && !cast.outputs.isEmpty()
                    ? Math.abs(outputs.point(cast.outputs.get(0)).gridVolts().orElse(0))
                    : 0;
            new SupplyStage(board, plan, cast, answers, smallAmperes(), outputs.plateAmperes(cast.outputs), bias)
                    .place(windings);
            eyes();
            regulators();
            warn();
        }

        private Deck deck() {
            boolean silicon =
                    board.cards().stream().anyMatch(card -> card.model().equals("RECT"));
            return new Deck(
                    "As usually built: "
                            + lineUp.tubes().stream().map(Fitted::typed).collect(Collectors.joining(" ")),
                    board.cards(),
                    silicon ? Map.of("RECT", SILICON) : Map.of(),
                    board.sockets(lineUp.tubes()),
                    board.points(),
                    cast.isFm() ? List.of("FM", "AM") : List.of(),
                    List.of());
        }

        private void unknown() {
            for (Fitted tube : lineUp.tubes()) {
                if (tube.type().isEmpty() && LineUp.ballast(tube).isEmpty()) {
                    board.say(tube.name() + " is not in the tube data; "
                            + (tube.heaterVolts().isPresent()
                                    ? "its heater is drafted, its stage is not."
                                    : "it is left out. Say its heater, as in " + tube.typed()
                                            + "[6.3V 0.3A], and type its parts."));
                } else if (tube.type()
                        .filter(type -> !type.hasLaw()
                                && !Set.of(TubeUse.EYE, TubeUse.REGULATOR, TubeUse.BALLAST, TubeUse.DIODE_DOUBLE)
                                        .contains(type.use()))
                        .isPresent()) {
                    board.say(tube.name() + ": pins and heater are known, its curves are not; its stage is left out.");
                }
            }
            leaveOut(cast.surplus);
            cast.idle.forEach(tube ->
                    board.say(tube.name() + " found no stage in a set of these tubes; only its heater is drafted."));
        }

        /** Gives the node where the audio is; empty when the set has none before the volume control. */
        private String radioStages() {
            if (cast.isFm()) {
                radio.fmFront();
            }
            for (int i = 0; i < cast.rf.size(); i++) {
                radio.rfStage(cast.rf.get(i), i);
            }
            if (cast.converter.isPresent()) {
                radio.converter();
            }
            for (int i = 0; i < cast.ifs.size(); i++) {
                radio.ifStage(cast.ifs.get(i), i);
            }
            if (cast.isRadio() && cast.isFm()) {
                radio.ratioDetector();
            }
            if (cast.gridDetector.isPresent()) {
                return radio.gridDetector(cast.gridDetector.get());
            }
            if (cast.isRadio() && !cast.diodes.isEmpty()) {
                radio.detector(detectorFoot());
                return cast.isFm() && !radio.ratio().isEmpty() ? "source" : "audio";
            }
            if (cast.isRadio()) {
                radio.crystalDetector();
                return "audio";
            }
            return "pickup";
        }

        private String detectorFoot() {
            Unit diode = radio.detectorDiode();
            boolean biased = cast.firstAudio
                    .filter(unit -> unit.tube().equals(diode.tube()))
                    .filter(unit -> audio.hasCathodeBias(unit))
                    .isPresent();
            if (biased) {
                return cast.firstAudio.orElseThrow().node(Electrode.CATHODE);
            }
            return board.cards().stream()
                    .filter(card -> card.reference().equals("X" + diode.tube().socket()))
                    .map(card -> card.nodes().get(card.nodes().size() - 1))
                    .findFirst()
                    .orElse(GROUND);
        }

        private void audioStages(String source) {
            if (cast.outputs.isEmpty() && cast.firstAudio.isEmpty()) {
                return;
            }
            board.begin(Stage.FIRST_AUDIO);
            if (source.equals("pickup")) {
                board.resistor("pickup", GROUND, 1e6, "pickup load");
            }
            String foot = source.equals("audio") ? detectorFoot(source) : GROUND;
            String signal = cast.gridDetector.isPresent()
                    ? cast.firstAudio
                            .map(unit -> audio.amplifier(unit, source, GROUND, "coupling"))
                            .orElse(source)
                    : chain(cast.firstAudio, source, foot, "");
            for (Unit driver : cast.drivers) {
                board.begin(Stage.DRIVER);
                signal = audio.amplifier(driver, signal, GROUND, "coupling to the driver");
            }
            if (cast.outputs.isEmpty()) {
                return;
            }
            if (cast.stereo) {
                stereo(signal);
            } else if (cast.outputs.size() > 1) {
                pair(signal);
            } else {
                board.begin(Stage.OUTPUT);
                outputs.single(cast.outputs.get(0), signal, "");
            }
        }

        private String detectorFoot(String source) {
            return cast.diodes.isEmpty() || source.equals("source") ? GROUND : detectorFoot();
        }

        private String chain(Optional<Unit> unit, String source, String foot, String suffix) {
            String wiper = audio.volume(source, foot, suffix);
            return unit.map(one -> audio.amplifier(one, wiper, ownFoot(one, foot), "audio input"))
                    .orElse(wiper);
        }

        /** A first audio tube with the detector's diode in its bulb stands where the detector returns to. */
        private String ownFoot(Unit unit, String foot) {
            return !cast.diodes.isEmpty() && radio.detectorDiode().tube().equals(unit.tube()) ? foot : GROUND;
        }

        private void stereo(String left) {
            board.begin(Stage.OUTPUT);
            outputs.single(cast.outputs.get(0), left, "");
            board.begin(Stage.FIRST_AUDIO);
            board.resistor("pickup_right", GROUND, 1e6, "pickup load, right");
            String right = chain(cast.secondChannel, "pickup_right", GROUND, "_right");
            board.begin(Stage.OUTPUT);
            outputs.single(cast.outputs.get(1), right, "_right");
        }

        private void pair(String signal) {
            Unit first = cast.outputs.get(0);
            Unit second = cast.outputs.get(1);
            boolean alike = first.type().name().equals(second.type().name());
            if (!alike) {
                board.begin(Stage.OUTPUT);
                board.say(first.tube().name() + " and " + second.tube().name()
                        + " are two output tubes of different kinds; only the first is drafted with its stage.");
                outputs.single(first, signal, "");
                leaveOut(cast.outputs.subList(1, cast.outputs.size()));
                return;
            }
            board.begin(Stage.SPLITTER);
            if (cast.splitter.isEmpty()) {
                board.say("Two " + first.type().name()
                        + " and no tube that splits the phase: the second grid is drafted without its drive. A split"
                        + " comes from a triode, a transformer, or the first plate; type it as it is.");
                board.begin(Stage.OUTPUT);
                outputs.single(first, signal, "");
                outputs.undriven(second);
            } else if (first.tube().isFilament() || splitter(Answers.Splitter.TRANSFORMER)) {
                int driver = cast.splitter.size() - 1;
                String before =
                        driver == 0 ? signal : audio.amplifier(cast.splitter.get(0), signal, GROUND, "coupling");
                String[] ends = audio.driverTransformer(cast.splitter.get(driver), before, outputs.gridReturn(first));
                board.begin(Stage.OUTPUT);
                outputs.pushPullBehindTransformer(first, second, ends);
            } else {
                String[] ends = split(signal);
                board.begin(Stage.OUTPUT);
                outputs.pushPull(first, second, ends[0], ends[1]);
            }
        }

        private boolean splitter(Answers.Splitter said) {
            return answers.splitter().filter(said::equals).isPresent();
        }

        private String[] split(String signal) {
            Unit one = cast.splitter.get(0);
            if (cast.splitter.size() > 1 && splitter(Answers.Splitter.SPLIT_LOAD)) {
                return audio.splitLoad(cast.splitter.get(1), audio.amplifier(one, signal, GROUND, "coupling"));
            }
            if (cast.splitter.size() == 1) {
                return board.sharedCathode(one).isPresent()
                        ? audio.turned(cast.firstAudio.orElse(one), one, signal)
                        : audio.splitLoad(one, signal);
            }
            Unit other = cast.splitter.get(1);
            boolean common = one.system()
                    .pins()
                    .getOrDefault(Electrode.CATHODE, List.of())
                    .equals(other.system().pins().getOrDefault(Electrode.CATHODE, List.of("own")));
            boolean longTail = answers.splitter()
                    .map(Answers.Splitter.LONG_TAIL::equals)
                    .orElse(common || cast.firstAudio.isPresent());
            return longTail ? audio.longTail(one, other, signal) : audio.seeSaw(one, other, signal);
        }

        private void leaveOut(List<Unit> units) {
            units.forEach(unit -> board.say(unit.tube().name()
                    + " is an output tube more than a usual set of these tubes has; only its heater is drafted."));
        }

        private double smallAmperes() {
            List<Unit> tuned = new ArrayList<>(cast.rf);
            tuned.addAll(cast.ifs);
            cast.converter.ifPresent(tuned::add);
            double amperes = 0;
            for (Unit unit : tuned) {
                TubePoint point = unit.near(plan.bplusVolts()).orElseThrow();
                amperes += point.plateAmperes().orElse(3e-3)
                        + point.screenAmperes().orElse(1e-3);
            }
            amperes += cast.oscillator.isPresent() ? 4e-3 : 0;
            amperes += cast.isFm() ? 0.012 : 0;
            amperes += cast.outputs.stream()
                    .mapToDouble(unit -> outputs.point(unit).screenAmperes().orElse(0))
                    .sum();
            return amperes + 1e-3 * (cast.splitter.size() * 2 + cast.drivers.size() * 2 + 1);
        }

        private void eyes() {
            board.begin(Stage.EYE);
            for (Fitted tube : cast.eyes) {
                String name = tube.type().orElseThrow().name();
                if (Eyes.law(name).isEmpty()) {
                    board.say(tube.name() + ": the heater of the eye is drafted; its triode and target are not, since"
                            + " too little is published here.");
                    continue;
                }
                String plate = tube.socket().toLowerCase(Locale.ROOT) + "_plate";
                String control = cast.isRadio() && cast.gridDetector.isEmpty() ? Board.AVC : GROUND;
                board.card(
                        "X" + tube.socket(),
                        List.of(plate, Board.BPLUS, control, GROUND),
                        Optional.empty(),
                        name + "_E",
                        0,
                        Map.of(),
                        "tube",
                        "tuning eye");
                board.resistor(Board.BPLUS, plate, 1e6, "plate load of the eye");
                board.labelled(
                        tube, Map.of("p", plate, "target", Board.BPLUS, "g", control, "k", GROUND, "deflector", plate));
            }
        }

        private void regulators() {
            cast.regulators.forEach(tube -> board.say(tube.name() + " is a regulator; add it where it stands."));
        }

        /** What cannot go together as it stands. */
        private void warn() {
            if (answers.filter().filter(said -> said != plan.filter()).isPresent()) {
                board.say("A set fed so has no minus lead of its own; the field coil is drafted in the plus lead.");
            }
            if (answers.bias().filter(said -> said != plan.bias()).isPresent()) {
                board.say("The output grids cannot have that bias in a set fed so; it is drafted as is usual.");
            }
            double all = smallAmperes() + outputs.plateAmperes(cast.outputs);
            double most = cast.rectifiers.stream()
                    .flatMap(tube -> tube.type().stream())
                    .flatMap(type -> type.limits().rectifierAmperes().stream().boxed())
                    .mapToDouble(Double::doubleValue)
                    .sum();
            if (!cast.rectifiers.isEmpty() && most > 0 && all > 1.15 * most) {
                board.say("These tubes draw about " + Math.round(all * 1e3) + " mA, and "
                        + cast.rectifiers.get(0).name() + " gives " + Math.round(most * 1e3)
                        + " mA at most. A tube is another, or the set has a second supply.");
            }
            boolean drafted = cast.rectifiers.stream()
                    .anyMatch(tube -> tube.systems().stream().anyMatch(system -> new Unit(tube, system).hasLaw()));
            if (plan.feed() == Feed.TRANSFORMER && !drafted) {
                board.say((cast.rectifiers.isEmpty()
                                ? "No rectifier is in the line-up; "
                                : "Too little is published of "
                                        + cast.rectifiers.get(0).name() + "; ")
                        + (answers.rectifier()
                                        .filter(Answers.Metal.SELENIUM::equals)
                                        .isPresent()
                                ? "a selenium stack is drafted."
                                : "a silicon bridge is drafted."));
            }
            if (!cast.isRadio() && cast.outputs.isEmpty()) {
                board.say("No output tube is in the line-up; the supply is drafted for the rest.");
            }
            if (cast.outputs.stream().anyMatch(unit -> unit.is(Section.PENTODE))
                    && cast.firstAudio.isEmpty()
                    && cast.gridDetector.isEmpty()) {
                board.say("No tube is left for a first audio stage; the volume control feeds the output tube.");
            }
        }
    }
}
