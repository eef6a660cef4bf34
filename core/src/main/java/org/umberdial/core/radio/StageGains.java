package org.umberdial.core.radio;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.circuit.work.AtWork;
import org.umberdial.core.circuit.work.SmallSignal;
import org.umberdial.core.circuit.work.SmallSignal.Added;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;

/**
 * What each stage of a receiver amplifies, by a small-signal analysis at its operating point, as it shows with a
 * generator that is moved from grid to grid and set for the same sound.
 *
 * <p>A deck for direct current has the coils of the cans and not what tunes them; they are tuned here to the
 * intermediate frequency with the Q that is known or usual, coupled critically, which is how a can with two single
 * peaks was made.
 *
 * @param points from the output tube back to the aerial
 * @param stages in the same order
 * @param lacks what could not be reckoned, and why
 */
public record StageGains(List<GainPoint> points, List<GainStage> stages, List<String> lacks) {
    private static final double AUDIO_HERTZ = 400;
    /** What the network shows as resistance: capacitors block. */
    private static final double DIRECT_HERTZ = 0.5;
    /** Of the carrier's peak, what a diode gives: 80 to 90 % with a load of half a megohm. */
    private static final double DETECTS = 0.85;
    /** Modulation that generators and standards use. */
    private static final double MODULATION = 0.3;
    /** A used tube that still serves, a transformer's loss, generator and meter: no healthy stage is further off. */
    private static final double SPREAD = 1.5;
    /** Of a socket with its wiring, and of a tube of which nothing is published [F]. */
    private static final double STRAY_FARADS = 8e-12;

    private static final double USUAL_FARADS = 8e-12;
    /** How many times the usual capacitance is still met in a can. */
    private static final double MOST_USUAL = 8;
    /** The volume control full up leaves no ohms in series, nearly. */
    private static final double FULL_UP_OHMS = 10;

    public StageGains {
        points = List.copyOf(points);
        stages = List.copyOf(stages);
        lacks = List.copyOf(lacks);
    }

    /**
     * In the mode in which the deck receives amplitude modulation.
     *
     * @param supposed whether values of the deck are what such sets usually have; then no stage accuses anything
     * @return empty when the circuit does not settle
     */
    public static Optional<StageGains> of(Deck deck, TubeModels tubes, TunedData data, boolean supposed) {
        String mode =
                deck.modes().stream().filter("AM"::equalsIgnoreCase).findFirst().orElse("");
        Network network = Network.of(deck, tubes, mode);
        Values fullUp = fullUp(deck, tubes.data(), Values.nominal(network));
        return SmallSignal.of(new AtWork(network), fullUp)
                .map(signal -> new Reckoner(deck, tubes.data(), data, supposed, signal).reckon());
    }

    /** The level that a place needs for a power at the speaker [V]; empty where a stage before it is not known. */
    public OptionalDouble expectedVolts(GainPoint point, double speakerVolts) {
        double volts = speakerVolts;
        Optional<GainPoint> reached = Optional.empty();
        for (GainStage stage : stages) {
            if (!stage.to().equals(reached)) {
                return OptionalDouble.empty();
            }
            volts /= stage.typical();
            reached = Optional.of(stage.from());
            if (stage.from().equals(point)) {
                return OptionalDouble.of(volts);
            }
        }
        return OptionalDouble.empty();
    }

    /** The level of a signal at the converter for a power at the speaker [V]; empty where that is not known. */
    public OptionalDouble signalVolts(double speakerVolts) {
        return points.stream()
                .filter(point -> point.band() == GainPoint.Band.SIGNAL)
                .findFirst()
                .map(point -> expectedVolts(point, speakerVolts))
                .orElse(OptionalDouble.empty());
    }

    private static Values fullUp(Deck deck, TubeData tubes, Values values) {
        PartRoles roles = new PartRoles(deck.cards(), tubes);
        Values full = values;
        List<Card> halves = deck.cards().stream()
                .filter(card -> roles.role(card.reference())
                        .filter(role -> role == NetworkRole.VOLUME_CONTROL)
                        .isPresent())
                .toList();
        if (halves.size() == 2) {
            // Decks name the upper half first, but for one whose first half ends at the chassis.
            boolean turned = halves.get(0).nodes().contains("0");
            Card upper = halves.get(turned ? 1 : 0);
            Card lower = halves.get(turned ? 0 : 1);
            double all = halves.stream()
                    .mapToDouble(card -> card.value().orElse(0.0))
                    .sum();
            full = full.with(upper.reference(), FULL_UP_OHMS).with(lower.reference(), all - FULL_UP_OHMS);
        }
        return full;
    }

    private static final class Reckoner {
        private final Deck deck;
        private final TubeData tubes;
        private final TunedData data;
        private final boolean supposed;
        private final SmallSignal signal;
        private final ReceiverChain chain;
        private final List<GainPoint> points = new ArrayList<>();
        private final List<GainStage> stages = new ArrayList<>();
        private final List<String> lacks = new ArrayList<>();

        Reckoner(Deck deck, TubeData tubes, TunedData data, boolean supposed, SmallSignal signal) {
            this.supposed = supposed;
            this.deck = deck;
            this.tubes = tubes;
            this.data = data;
            this.signal = signal;
            chain = ReceiverChain.of(deck, tubes);
        }

        StageGains reckon() {
            audio();
            if (chain.superhet()) {
                intermediate();
            } else {
                lacks.add("No converter is found in the circuit, so its stages of radio frequency are not reckoned.");
            }
            return new StageGains(points, stages, lacks);
        }

        private void audio() {
            if (chain.speaker().isEmpty() || chain.audio().isEmpty()) {
                lacks.add(
                        "The circuit has no voice coil or no first audio tube: the stages of sound are not reckoned.");
                return;
            }
            String speaker = hot(chain.speaker().get());
            GainPoint first = audioPoint(chain.audio().get());
            if (chain.output().isPresent()) {
                GainPoint output = audioPoint(chain.output().get());
                points.add(output);
                audioStage("output", output, Optional.empty(), speaker);
                points.add(first);
                audioStage("audio", first, Optional.of(output), output.node());
            } else {
                points.add(first);
                audioStage("audio", first, Optional.empty(), speaker);
            }
        }

        private static String hot(Card voiceCoil) {
            return voiceCoil.nodes().get(voiceCoil.nodes().get(0).equals("0") ? 1 : 0);
        }

        private GainPoint audioPoint(Card section) {
            String tube = Card.tube(section.reference());
            return new GainPoint(tube + ":AUDIO", ReceiverChain.grid(section), tube, GainPoint.Band.AUDIO);
        }

        private void audioStage(String id, GainPoint from, Optional<GainPoint> to, String seen) {
            double gain = signal.gain(from.node(), seen, AUDIO_HERTZ, List.of(), Map.of())
                    .norm();
            add(
                    id,
                    from.tube()
                            + (to.isPresent() ? ", to the grid of " + to.get().tube() : ", to the speaker"),
                    from,
                    to,
                    new double[] {gain, gain / SPREAD, gain * SPREAD},
                    "Its slope at its operating point and what is at its plate.",
                    false);
        }

        private void add(
                String id,
                String title,
                GainPoint from,
                Optional<GainPoint> to,
                double[] typicalLowHigh,
                String basis,
                boolean usual) {
            if (!(typicalLowHigh[0] > 0) || Double.isInfinite(typicalLowHigh[0])) {
                lacks.add(title + ": the circuit lets nothing through there.");
                return;
            }
            stages.add(new GainStage(
                    id,
                    title,
                    from,
                    to,
                    typicalLowHigh[0],
                    typicalLowHigh[1],
                    typicalLowHigh[2],
                    basis + (supposed ? " Parts as such sets usually have them." : ""),
                    usual || supposed));
        }

        private void intermediate() {
            for (int i = chain.amplifiers().size(); i >= 1; i--) {
                Card tube = chain.amplifiers().get(i - 1);
                GainPoint from = radioPoint(tube, ReceiverChain.grid(tube), GainPoint.Band.INTERMEDIATE);
                if (i < chain.cans().size()) {
                    // Behind an amplifier without a can nothing is tuned; the circuit says no more of it.
                    stage(from, chain.cans().get(i), i == chain.cans().size() - 1);
                }
            }
            converter();
        }

        private GainPoint radioPoint(Card section, String node, GainPoint.Band band) {
            String tube = Card.tube(section.reference());
            return new GainPoint(tube + ":" + band, node, tube, band);
        }

        private void stage(GainPoint from, IfPair can, boolean last) {
            Optional<GainPoint> to = points.isEmpty() ? Optional.empty() : Optional.of(points.get(points.size() - 1));
            points.add(from);
            if (last && (can.single() || chain.detector().isEmpty() || to.isEmpty())) {
                lacks.add("From " + from.tube() + " to the sound: the detector’s coil is not in the circuit.");
                return;
            }
            double detected = last ? detected(to.orElseThrow()) : 1;
            double[] gains = new double[3];
            double[] qualities = {data.quality(), data.low(), data.high()};
            for (int q = 0; q < gains.length; q++) {
                Tuning tuning = tuned(can, qualities[q]);
                gains[q] = detected
                        * signal.gain(from.node(), can.next(), data.hertz(), tuning.added, tuning.henries)
                                .norm();
            }
            add(
                    "if-" + (points.size() - 1),
                    from.tube()
                            + (last ? ", to the sound at the grid of " : ", to the grid of ")
                            + to.orElseThrow().tube(),
                    from,
                    to,
                    new double[] {gains[0], gains[1] / SPREAD, gains[2] * SPREAD},
                    sentence(basis(last)),
                    !data.measured());
        }

        private static String sentence(String words) {
            return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
        }

        private String basis(boolean last) {
            return (last
                            ? "its slope, its can and a diode that gives 85 % of 30 % modulation; "
                            : "its slope and its can; ")
                    + (data.measured()
                            ? String.format(Locale.ROOT, "Q %.0f as measured.", data.quality())
                            : String.format(
                                    Locale.ROOT,
                                    "Q %.0f as is usual, %.0f to %.0f are met.",
                                    data.quality(),
                                    data.low(),
                                    data.high()));
        }

        /** Volts of sound at the first audio grid for each volt of carrier at the diode. */
        private double detected(GainPoint audio) {
            String sound = chain.detector().orElseThrow();
            return DETECTS
                    * MODULATION
                    * signal.gain(sound, audio.node(), AUDIO_HERTZ, List.of(), Map.of())
                            .norm();
        }

        private void converter() {
            Card card = chain.converter().orElseThrow();
            String grid = chain.signalGrid(deck).orElseThrow();
            Optional<GainPoint> to = points.stream()
                    .filter(p -> p.band() == GainPoint.Band.INTERMEDIATE)
                    .reduce((a, b) -> b);
            if (chain.cans().isEmpty() || to.isEmpty() || chain.cans().get(0).single()) {
                lacks.add("From the converter on: no can is found at its plate with a tube behind it.");
                return;
            }
            GainPoint from = radioPoint(card, grid, GainPoint.Band.SIGNAL);
            points.add(from);
            // What the aerial's coil gives is in no deck; the level there is the set's sensitivity all the same.
            points.add(GainPoint.AERIAL);
            OptionalDouble conversion = Conversion.siemens(card, signal.point(), tubes);
            if (conversion.isEmpty()) {
                lacks.add("What " + card.model() + " converts is not in the tube data; its stage is not reckoned.");
                return;
            }
            IfPair can = chain.cans().get(0);
            double[] gains = new double[3];
            double[] qualities = {data.quality(), data.low(), data.high()};
            for (int q = 0; q < gains.length; q++) {
                Tuning tuning = tuned(can, qualities[q]);
                gains[q] = conversion.getAsDouble()
                        * signal.transferOhms(
                                        can.plate(),
                                        can.next(),
                                        List.of(grid),
                                        data.hertz(),
                                        tuning.added,
                                        tuning.henries)
                                .norm();
            }
            add(
                    "converter",
                    from.tube() + ", signal to the intermediate frequency at the grid of "
                            + to.get().tube(),
                    from,
                    to,
                    new double[] {gains[0], gains[1] / SPREAD, gains[2] * SPREAD},
                    String.format(
                            Locale.ROOT,
                            "%.2f mA/V of conversion, as published, by its current here; %s",
                            1000 * conversion.getAsDouble(),
                            basis(false)),
                    !data.measured());
        }

        private record Tuning(List<Added> added, Map<String, Double> henries) {}

        /** What tunes both circuits of a can to the intermediate frequency, coupled critically. */
        private Tuning tuned(IfPair can, double quality) {
            List<Added> added = new ArrayList<>();
            Map<String, Double> henries = new HashMap<>();
            double coupling = can.single() ? 0 : 1 / quality;
            double primary = farads(can.primary(), output(can.plate()), henries);
            double secondary = can.single() ? 0 : farads(can.secondary(), input(can.next()), henries);
            double between = coupling * Math.sqrt(primary * secondary);
            circuit(can.primary(), primary - between, quality, henries, added);
            if (!can.single()) {
                circuit(can.secondary(), secondary - between, quality, henries, added);
                added.add(Added.farads(can.plate(), can.next(), between));
                load(can, added);
            }
            feedback(added);
            return new Tuning(added, henries);
        }

        private Card card(String reference) {
            return deck.cards().stream()
                    .filter(c -> c.reference().equals(reference))
                    .findFirst()
                    .orElseThrow();
        }

        /** Of the tube whose plate is at a node, or a usual one. */
        private double output(String plate) {
            return tubeAt(card -> card.nodes().get(0).equals(plate))
                    .map(TubeCapacitances::outputFarads)
                    .orElse(USUAL_FARADS);
        }

        /** Of the tube whose grid is at a node, or a usual one. */
        private double input(String grid) {
            return tubeAt(card -> ReceiverChain.grid(card).equals(grid))
                    .map(TubeCapacitances::inputFarads)
                    .orElse(USUAL_FARADS);
        }

        private Optional<TubeCapacitances> tubeAt(Predicate<Card> which) {
            return Stream.concat(chain.amplifiers().stream(), chain.converter().stream())
                    .filter(which)
                    .findFirst()
                    .flatMap(card -> TubeCapacitances.of(
                            card.model(), card.nodes().size() == 5 ? Section.HEPTODE : Section.PENTODE));
        }

        /**
         * What tunes a coil in all. One that would want less than tube and wiring bring, or more than any can holds, is
         * drawn with a figure that is not meant.
         */
        private double farads(String coil, double tube, Map<String, Double> henries) {
            double omega = 2 * Math.PI * data.hertz();
            double farads = 1 / (omega * omega * card(coil).value().orElse(1e-3));
            if (farads > tube + STRAY_FARADS && farads < MOST_USUAL * data.usualFarads()) {
                return farads;
            }
            henries.put(coil, 1 / (omega * omega * data.usualFarads()));
            return data.usualFarads();
        }

        private void circuit(
                String coil, double farads, double quality, Map<String, Double> henries, List<Added> added) {
            Card card = card(coil);
            double reactance = 2
                    * Math.PI
                    * data.hertz()
                    * henries.getOrDefault(coil, card.value().orElse(1e-3));
            double ohms = card.key("rser").map(Double::parseDouble).orElse(0.0);
            // The coil's own ohms are in the network; what is missing to the Q lies across it.
            double lost = 1 / quality - ohms / reactance;
            String a = card.nodes().get(0);
            String b = card.nodes().get(1);
            added.add(new Added(a, b, Math.max(0, lost) / reactance, farads));
        }

        /** A diode takes from its circuit what half its load would. */
        private void load(IfPair can, List<Added> added) {
            chain.detector()
                    .filter(sound -> card(can.secondary()).nodes().contains(sound))
                    .ifPresent(sound -> {
                        double ohms = signal.transferOhms(sound, sound, List.of(), DIRECT_HERTZ, List.of(), Map.of())
                                .norm();
                        added.add(Added.ohms(can.next(), sound, ohms / 2));
                    });
        }

        private void feedback(List<Added> added) {
            for (Card tube : chain.amplifiers()) {
                TubeCapacitances.of(tube.model(), Section.PENTODE)
                        .ifPresent(c -> added.add(
                                Added.farads(tube.nodes().get(0), ReceiverChain.grid(tube), c.feedbackFarads())));
            }
        }
    }
}
