package org.umberdial.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.alignment.AlignStep;
import org.umberdial.core.alignment.AlignmentPlan;
import org.umberdial.core.alignment.Feed;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.radio.ReceiverChain;
import org.umberdial.core.radio.StageGains;
import org.umberdial.core.radio.TunedData;
import org.umberdial.core.tuning.Band;
import org.umberdial.core.value.InvalidEntry;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** The plan of a receiver's alignment, a step a paragraph. */
@Command(
        name = "align",
        mixinStandardHelpOptions = true,
        description = {
            "The alignment of a receiver in its order: where the generator is put, what is turned for what, read where.",
            "What the circuit does not say is said by options; without --band a medium wave of 530 to 1605 kHz is meant."
        })
final class AlignCommand implements Callable<Integer> {
    private static final Pattern BAND = Pattern.compile("([^=]{1,20})=([0-9.]+)-([0-9.]+)(?:/([0-9.]+))?(-)?");
    private static final double FM_KILOHERTZ = 30_000;
    private static final double STANDARD_WATTS = 0.05;
    private static final double USUAL_OHMS = 3.2;

    @Mixin
    private DeckFile file;

    @Option(
            names = "--band",
            paramLabel = "NAME=LOW-HIGH/IF",
            description =
                    "a band in kHz with its intermediate frequency, as in MW=530-1605/455 or FM=88000-108000/10700;"
                            + " a - behind it for an oscillator below the signal")
    private List<String> bands = new ArrayList<>();

    @Option(names = "--if", paramLabel = "KHZ", description = "intermediate frequency; 455 unless said")
    private double intermediate = 455;

    @Option(names = "--generator", description = "${COMPLETION-CANDIDATES}; AM unless said")
    private GearSaid.Generator generator = GearSaid.Generator.AM;

    @Option(names = "--meter", description = "${COMPLETION-CANDIDATES}; OUTPUT unless said")
    private GearSaid.Meter meter = GearSaid.Meter.OUTPUT;

    @Option(names = "--detector", description = "of FM: ${COMPLETION-CANDIDATES}; NONE unless said")
    private ReceiverSaid.Detector detector = ReceiverSaid.Detector.NONE;

    @Option(
            names = "--fm-cans",
            paramLabel = "N",
            description = "cans of FM, the detector's not counted; 2 unless said")
    private int fmCans = 2;

    @Option(names = "--kind", description = "${COMPLETION-CANDIDATES}; by the circuit unless said")
    private ReceiverSaid.Kind kind;

    @Option(names = "--has", split = ",", description = "what it has besides: ${COMPLETION-CANDIDATES}")
    private Set<ReceiverSaid.Has> has = EnumSet.noneOf(ReceiverSaid.Has.class);

    @Option(names = "--live", description = "the chassis may be live, as in a set without a transformer")
    private boolean live;

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        Deck deck = file.deck();
        ReceiverChain chain = ReceiverChain.of(deck, file.models().data());
        List<Band> dial = dial();
        ReceiverSaid.Kind means =
                kind != null ? kind : chain.superhet() ? ReceiverSaid.Kind.SUPERHET : ReceiverSaid.Kind.TRF;
        int cans = chain.cans().isEmpty() ? 2 : Math.min(6, chain.cans().size());
        if (fmCans < 0 || fmCans > 6) {
            throw new Refused("--fm-cans is " + fmCans + "; enter 0 to 6.", Umber.BAD_INPUT);
        }
        AlignmentPlan plan = AlignmentPlan.of(
                new ReceiverSaid(means, cans, detector == ReceiverSaid.Detector.NONE ? 0 : fmCans, detector, has),
                new GearSaid(generator, meter, false),
                dial,
                live || withoutTransformer(deck),
                needed(deck, chain, dial));
        print(plan);
        return 0;
    }

    /** A set whose line feeds no transformer is taken as live. */
    private static boolean withoutTransformer(Deck deck) {
        List<String> line = deck.cards().stream()
                .filter(card -> card.kind().equals("line"))
                .flatMap(card -> card.nodes().stream())
                .toList();
        return line.contains("0")
                && deck.cards().stream()
                        .noneMatch(card ->
                                card.model().equals("XFMR") && card.parameters().getOrDefault("V1", 0.0) > 50);
    }

    private List<Band> dial() {
        List<Band> dial = new ArrayList<>();
        try {
            for (String text : bands.isEmpty() ? List.of("MW=530-1605") : bands) {
                Matcher said = BAND.matcher(text);
                if (!said.matches()) {
                    throw new Refused(
                            "--band " + text + " is not understood; write it like MW=530-1605/455.", Umber.BAD_INPUT);
                }
                double high = Double.parseDouble(said.group(3));
                double usual = high > FM_KILOHERTZ ? 10_700 : intermediate;
                dial.add(new Band(new BandSaid(
                        said.group(1).strip(),
                        Double.parseDouble(said.group(2)),
                        high,
                        said.group(4) == null ? usual : Double.parseDouble(said.group(4)),
                        said.group(5) == null)));
            }
        } catch (NumberFormatException | InvalidEntry wrong) {
            throw new Refused("--band: " + wrong.getMessage(), Umber.BAD_INPUT);
        }
        return dial;
    }

    private Map<Feed, Double> needed(Deck deck, ReceiverChain chain, List<Band> dial) {
        Map<Feed, Double> needed = new EnumMap<>(Feed.class);
        Optional<Double> hertz = dial.stream()
                .filter(b -> b.superhet() && !b.frequencyModulated())
                .map(b -> 1000 * b.said().intermediateKilohertz())
                .findFirst();
        if (chain.superhet() && hertz.isPresent()) {
            double speaker = Math.sqrt(
                    STANDARD_WATTS * chain.speaker().flatMap(Card::value).orElse(USUAL_OHMS));
            file.network();
            StageGains.of(deck, file.models(), TunedData.usual(hertz.get()), false)
                    .ifPresent(
                            gains -> gains.signalVolts(speaker).ifPresent(volts -> needed.put(Feed.CONVERTER, volts)));
        }
        return needed;
    }

    private void print(AlignmentPlan plan) {
        PrintWriter out = command.commandLine().getOut();
        AlignStep.Part part = null;
        int number = 0;
        for (AlignStep step : plan.steps()) {
            if (step.part() != part) {
                part = step.part();
                out.println((number == 0 ? "" : System.lineSeparator())
                        + part.label().toUpperCase(Locale.ROOT));
            }
            number++;
            out.println(number + ". " + step.title());
            step.hertz()
                    .ifPresent(hertz -> out.println("   Feed  " + step.feed().where()
                            + (step.feed().through().isEmpty()
                                    ? ""
                                    : ", through " + step.feed().through()) + ": "
                            + kilohertz(hertz) + ", " + step.signal().label()
                            + (step.volts().isPresent()
                                    ? String.format(
                                            Locale.ROOT,
                                            ", from %.0f µV",
                                            1e6 * step.volts().getAsDouble())
                                    : "")));
            line(out, "Dial", step.dialWords());
            line(out, "Turn", step.cores().isEmpty() ? "" : "for " + step.aim().label());
            line(out, "Read", step.readAt());
            line(out, "Right", step.expect());
            line(out, "Note", step.why());
            step.backTo()
                    .flatMap(plan::step)
                    .ifPresent(back -> line(out, "Again", "from “" + back.title() + "” as long as it still grows"));
        }
        out.flush();
        plan.lacks().forEach(lack -> command.commandLine().getErr().println("umber: " + lack));
    }

    private static String kilohertz(double hertz) {
        return hertz < 5e6
                ? String.format(Locale.ROOT, "%.0f kHz", hertz / 1000)
                : String.format(Locale.ROOT, "%.3f MHz", hertz / 1e6);
    }

    private static void line(PrintWriter out, String what, String words) {
        if (!words.isEmpty()) {
            out.println(String.format("   %-5s ", what) + words);
        }
    }
}
