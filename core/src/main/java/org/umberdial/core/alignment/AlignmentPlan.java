package org.umberdial.core.alignment;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.umberdial.core.alignment.AlignStep.Aim;
import org.umberdial.core.alignment.AlignStep.Part;
import org.umberdial.core.alignment.AlignStep.Read;
import org.umberdial.core.alignment.AlignStep.Signal;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.tuning.Band;
import org.umberdial.core.value.CsvTable;

/**
 * The steps of one receiver's alignment, in their order, with the instruments at hand.
 *
 * @param steps in order
 * @param lacks what is not known yet and would make it complete, in sentences
 */
public record AlignmentPlan(List<AlignStep> steps, List<String> lacks) {
    private static final List<Map<String, String>> ROWS = CsvTable.rows(AlignmentPlan.class, "alignment.csv");
    /** From here up a frequency is told in megahertz [kHz]. */
    private static final double MEGAHERTZ_KILOHERTZ = 5_000;
    /** From here up a short rod stands for the aerial, below a capacitor [kHz]. */
    private static final double SHORT_WAVE_KILOHERTZ = 2_500;

    public AlignmentPlan {
        steps = List.copyOf(steps);
        lacks = List.copyOf(lacks);
    }

    /**
     * @param bands of its dial
     * @param live whether its chassis may be live
     * @param needed the generator's level for 50 mW at the speaker by where it is put [V], where that was reckoned
     */
    public static AlignmentPlan of(
            ReceiverSaid receiver, GearSaid gear, List<Band> bands, boolean live, Map<Feed, Double> needed) {
        return new Planner(receiver, gear, bands, live, needed).plan();
    }

    public Optional<AlignStep> step(String id) {
        return steps.stream().filter(step -> step.id().equals(id)).findFirst();
    }

    private static final class Planner {
        private final ReceiverSaid receiver;
        private final GearSaid gear;
        private final List<Band> bands;
        private final Map<Feed, Double> needed;
        private final Set<String> has = new HashSet<>();
        private final List<AlignStep> steps = new ArrayList<>();
        private final List<String> lacks = new ArrayList<>();

        Planner(ReceiverSaid receiver, GearSaid gear, List<Band> bands, boolean live, Map<Feed, Double> needed) {
            this.receiver = receiver;
            this.gear = gear;
            this.needed = new EnumMap<>(Feed.class);
            this.needed.putAll(needed);
            // Medium wave first: the others often share its gang and its padder.
            this.bands = bands.stream()
                    .sorted(Comparator.comparingInt(Planner::order)
                            .thenComparingDouble(b -> b.said().lowKilohertz()))
                    .toList();
            boolean superhet = receiver.kind() == ReceiverSaid.Kind.SUPERHET;
            boolean generator = gear.generator() != GearSaid.Generator.NONE;
            say("superhet", superhet);
            say("trf", receiver.kind() == ReceiverSaid.Kind.TRF || receiver.kind() == ReceiverSaid.Kind.NEUTRALISED);
            say("neutralised", receiver.kind() == ReceiverSaid.Kind.NEUTRALISED);
            say("regenerative", receiver.kind() == ReceiverSaid.Kind.REGENERATIVE);
            say("fm", receiver.fm());
            say("ratio", receiver.detector() == ReceiverSaid.Detector.RATIO);
            say("discriminator", receiver.detector() == ReceiverSaid.Detector.DISCRIMINATOR);
            say("slope", receiver.detector() == ReceiverSaid.Detector.SLOPE);
            say("trap", receiver.has().contains(ReceiverSaid.Has.TRAP));
            say("bfo", receiver.has().contains(ReceiverSaid.Has.BFO));
            say("eye", receiver.has().contains(ReceiverSaid.Has.EYE));
            say("wide", receiver.has().contains(ReceiverSaid.Has.WIDE));
            say("rf", receiver.has().contains(ReceiverSaid.Has.RF_STAGE));
            say("separate", receiver.has().contains(ReceiverSaid.Has.SEPARATE_DIALS));
            say("live", live);
            say("generator", generator);
            say("ear", !generator);
            say("sweep", gear.generator() == GearSaid.Generator.SWEEP);
        }

        private static int order(Band band) {
            double low = band.said().lowKilohertz();
            return low >= 400 && low < 700 ? 0 : low < 400 ? 1 : 2;
        }

        private void say(String word, boolean holds) {
            if (holds) {
                has.add(word);
            }
        }

        private List<Band> am() {
            return bands.stream().filter(band -> !band.frequencyModulated()).toList();
        }

        private Optional<Band> fmBand() {
            return bands.stream().filter(Band::frequencyModulated).findFirst();
        }

        AlignmentPlan plan() {
            lack();
            // Rows that go by band or by can are worked through together, so that a band is done before the next.
            for (Part part : Part.values()) {
                List<Map<String, String>> rows = ROWS.stream()
                        .filter(row -> row.get("part").equals(part.name()) && applies(row.get("needs")))
                        .toList();
                each(rows);
            }
            return new AlignmentPlan(steps, lacks);
        }

        private void lack() {
            boolean superhet = receiver.kind() == ReceiverSaid.Kind.SUPERHET;
            boolean fmAlone = receiver.fm() && fmBand().isPresent() && receiver.cans() == 0;
            if (am().isEmpty() && !fmAlone) {
                lacks.add("No band is known: say its dial’s ends and its intermediate frequency at Dial, then it is in"
                        + " the plan.");
            } else if (superhet && !fmAlone && am().stream().noneMatch(Band::superhet)) {
                lacks.add("The intermediate frequency is not known: a label or sheet says it, or read the curve.");
            }
            if (receiver.fm() && fmBand().isEmpty()) {
                lacks.add("The FM band is not known: say it at Dial with its 10700 kHz.");
            }
            if (superhet && receiver.cans() == 0 && !fmAlone) {
                lacks.add("How many cans it has is not known.");
            }
            if (gear.generator() == GearSaid.Generator.NONE && receiver.fm()) {
                lacks.add("FM is not aligned without a generator: its detector has several noughts that sound alike.");
            }
            if (gear.generator() == GearSaid.Generator.AM && receiver.fm()) {
                lacks.add("A generator for AM gives the carrier alone at 10.7 MHz only if it reaches that far; its"
                        + " dial must be checked with a counter or a station’s receiver.");
            }
        }

        private boolean applies(String needs) {
            return needs.isEmpty()
                    || Arrays.stream(needs.split(" "))
                            .allMatch(word ->
                                    word.startsWith("!") ? !has.contains(word.substring(1)) : has.contains(word));
        }

        private void each(List<Map<String, String>> rows) {
            int at = 0;
            while (at < rows.size()) {
                String each = rows.get(at).get("each");
                int end = at + 1;
                while (end < rows.size() && rows.get(end).get("each").equals(each)) {
                    end++;
                }
                List<Map<String, String>> group = rows.subList(at, end);
                switch (each) {
                    case "can" -> cans(group, receiver.cans(), "detector");
                    // Behind the last one is a tube still, which feeds the detector's own can.
                    case "fmcan" -> cans(group, receiver.fmCans(), "next grid");
                    case "band" -> am().forEach(band -> group.forEach(row -> add(row, Optional.of(band), 0, 0, "")));
                    case "fmband" -> fmBand().ifPresent(b -> group.forEach(row -> add(row, Optional.of(b), 0, 0, "")));
                    default -> group.forEach(row -> add(row, usualBand(row), 0, 0, ""));
                }
                at = end;
            }
        }

        private Optional<Band> usualBand(Map<String, String> row) {
            return row.get("part").startsWith("FM")
                    ? fmBand()
                    : am().stream()
                            .filter(Band::superhet)
                            .findFirst()
                            .or(() -> am().stream().findFirst());
        }

        /** Back to front: what lies behind must pass already what comes. */
        private void cans(List<Map<String, String>> rows, int count, String behindLast) {
            for (int can = count; can >= 1; can--) {
                for (Map<String, String> row : rows) {
                    add(row, usualBand(row), can, count, can == count ? behindLast : "next grid");
                }
            }
        }

        private void add(Map<String, String> row, Optional<Band> band, int can, int cans, String behind) {
            if (!row.get("frequency").isEmpty() && band.isEmpty()) {
                return;
            }
            Map<String, String> words = words(band, can, cans);
            words.put("behind", behind);
            String id = id(row, band, can);
            OptionalDouble hertz = frequency(row.get("frequency"), band);
            boolean intermediate =
                    row.get("frequency").equals("if") || row.get("frequency").equals("fmif");
            if (intermediate && hertz.isEmpty()) {
                return;
            }
            Feed feed = feed(row, band);
            String back = fill(row.get("back"), words);
            Read read = row.get("read").isEmpty() ? Read.NONE : Read.valueOf(row.get("read"));
            steps.add(new AlignStep(
                    id,
                    Part.valueOf(row.get("part")),
                    fill(row.get("title"), words),
                    row.get("dial").isEmpty()
                            ? ""
                            : band.map(b -> b.said().name()).orElse(""),
                    feed,
                    hertz,
                    row.get("modulation").isEmpty() ? Signal.NONE : Signal.valueOf(row.get("modulation")),
                    row.get("microvolts").isEmpty()
                            ? OptionalDouble.empty()
                            : OptionalDouble.of(1e-6 * Double.parseDouble(row.get("microvolts"))),
                    frequency(row.get("dial"), band),
                    dialWords(row.get("dial"), band),
                    row.get("cores").isEmpty() ? List.of() : List.of(fill(row.get("cores"), words)),
                    Aim.valueOf(row.get("aim")),
                    read,
                    read == Read.OUTPUT && gear.meter() == GearSaid.Meter.EAR ? "" : read.unit(),
                    readAt(read),
                    expect(row, feed, words),
                    fill(row.get("why"), words),
                    back.isEmpty() ? Optional.empty() : Optional.of(back)));
        }

        private static String id(Map<String, String> row, Optional<Band> band, int can) {
            String each = row.get("each");
            return row.get("id")
                    + (can > 0
                            ? "-" + can
                            : each.endsWith("band")
                                    ? "-" + band.orElseThrow().said().name()
                                    : "");
        }

        private Feed feed(Map<String, String> row, Optional<Band> band) {
            Feed feed = Feed.valueOf(row.get("feed"));
            if (feed != Feed.AERIAL) {
                return feed;
            }
            if (receiver.has().contains(ReceiverSaid.Has.LOOP)) {
                return Feed.LOOP;
            }
            return band.filter(b -> b.said().lowKilohertz() >= SHORT_WAVE_KILOHERTZ)
                            .isPresent()
                    ? Feed.SHORT_WAVE
                    : Feed.AERIAL;
        }

        /** In hertz; empty where it names none. */
        private static OptionalDouble frequency(String word, Optional<Band> band) {
            if (band.isEmpty()) {
                return OptionalDouble.empty();
            }
            Band known = band.get();
            double[] points = known.points();
            return switch (word) {
                case "if", "fmif" ->
                    known.superhet()
                            ? OptionalDouble.of(1000 * known.said().intermediateKilohertz())
                            : OptionalDouble.empty();
                case "low" -> OptionalDouble.of(1000 * points[0]);
                case "mid", "fm" -> OptionalDouble.of(1000 * points[2]);
                case "high" -> OptionalDouble.of(1000 * points[points.length - 1]);
                case "image" -> OptionalDouble.of(1000 * known.image(points[points.length - 1]));
                default -> OptionalDouble.empty();
            };
        }

        private static String dialWords(String word, Optional<Band> band) {
            return switch (word) {
                case "" -> "";
                case "open" -> "gang open, where no station is";
                case "closed" -> "gang closed";
                case "fm" -> "FM, where no station is";
                case "sweep" -> "over the whole dial";
                default -> kilohertz(frequency(word, band));
            };
        }

        private String readAt(Read read) {
            if (read != Read.OUTPUT) {
                return read.label();
            }
            return switch (gear.meter()) {
                case EAR -> "the ear, at the weakest level you still hear";
                case OUTPUT -> "output meter across the voice coil, below 0.4 V";
                case AVC -> Read.AVC.label();
                case SCOPE -> "height of the tone on the screen, at the voice coil";
            };
        }

        private String expect(Map<String, String> row, Feed feed, Map<String, String> words) {
            String said = fill(row.get("expect"), words);
            boolean level = row.get("id").equals("if-read");
            if (!level || !needed.containsKey(feed)) {
                return said;
            }
            return String.format(
                    Locale.ROOT,
                    "Some %.0f µV give 50 mW with usual cans, by its tubes and their volts.",
                    1e6 * needed.get(feed));
        }

        private static Map<String, String> words(Optional<Band> band, int can, int cans) {
            Map<String, String> words = new HashMap<>();
            words.put("can", String.valueOf(can));
            // Only the last circuit of a round sends back to its first.
            words.put("backIf", can == 1 ? "if-s-" + cans : "");
            words.put("backFm", can == 1 ? "fm-if-s-" + cans : "");
            band.ifPresent(known -> {
                double[] points = known.points();
                words.put("band", known.said().name());
                words.put("if", kilohertz(frequency("if", band)));
                words.put("fmif", kilohertz(frequency("fmif", band)));
                words.put("low", kilohertz(frequency("low", band)));
                words.put("high", kilohertz(frequency("high", band)));
                words.put("image", kilohertz(frequency("image", band)));
                // The oscillator is as far from the image as from the signal, on its other side.
                words.put("image-side", known.said().oscillatorAbove() ? "less" : "more");
                words.put("side", known.said().oscillatorAbove() ? "above" : "below");
                words.put("oscLow", kilohertz(OptionalDouble.of(1000 * known.oscillator(points[0]))));
            });
            return words;
        }

        private static String kilohertz(OptionalDouble hertz) {
            if (hertz.isEmpty()) {
                return "the intermediate frequency";
            }
            double kilo = hertz.getAsDouble() / 1000;
            return kilo < MEGAHERTZ_KILOHERTZ ? plain(kilo) + " kHz" : plain(Math.rint(kilo) / 1000) + " MHz";
        }

        private static String plain(double value) {
            return value == Math.rint(value)
                    ? String.valueOf((long) value)
                    : String.valueOf(Math.rint(value * 1000) / 1000);
        }

        private static String fill(String template, Map<String, String> words) {
            String filled = template;
            for (Map.Entry<String, String> word : words.entrySet()) {
                filled = filled.replace("{" + word.getKey() + "}", word.getValue());
            }
            return filled;
        }
    }
}
