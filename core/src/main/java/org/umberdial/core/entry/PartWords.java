package org.umberdial.core.entry;

import static org.umberdial.core.value.InvalidEntry.Code.OUT_OF_RANGE;
import static org.umberdial.core.value.InvalidEntry.Code.SYNTAX;
import static org.umberdial.core.value.InvalidEntry.Code.UNKNOWN;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.tube.Lamps;
import org.umberdial.core.tube.Transistors;
import org.umberdial.core.value.InvalidEntry;

/**
 * Parts that are named by a word and not by the letter of their reference: {@code T1 transformer 117V line-0, 2x350V
 * hv1-0-hv2, 6.3V heaters-0}, {@code F1 fuse 0.5A line-line_sw}, {@code R7 control 500k audio-wiper-0}. Words and ends
 * stand in any order behind the reference.
 */
final class PartWords {
    private static final Pattern LINE = Pattern.compile(
            "(?i)([A-Z]{1,3}[0-9]*[A-Z]?)\\s+(?:(power|output)\\s+)?(transformer|output|selenium|silicon|diode|rectifier|lamp|fuse|switch"
                    + "|choke|field(?:\\s+coil)?|speaker|voice\\s+coil|control|potentiometer|transistor|battery)\\b(.*)");
    private static final Pattern TYPED_TRANSISTOR = Pattern.compile("(?i)(Q[0-9A-Z]+)\\s+(\\S+)\\s+(.*)");
    private static final Pattern NUMBER = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)\\s*(k|m|meg)?");
    private static final Pattern VOLTS = Pattern.compile("(?i)(?:(2)x)?([0-9]*[.,]?[0-9]+)v");
    private static final Pattern CENTRED = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)-0-([0-9]*[.,]?[0-9]+)v?");
    private static final Pattern OHMS = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)(k|m|meg)?(?:r|ohms?|Ω)");
    private static final Pattern HENRIES = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)(m)?h");
    private static final Pattern AMPERES = Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)(m)?a");
    private static final Pattern RATIO = Pattern.compile("(?i)([0-9.,]+)(k)?:([0-9.,]+)");
    private static final double CONTACT_OHMS = 0.05;
    private static final double FIELD_HENRIES = 12;
    private static final double CHOKE_HENRIES = 10;
    /** Copper of a winding, as a share of what it is loaded with. */
    private static final double COPPER = 0.05;

    private final Ends ends;

    PartWords(Ends ends) {
        this.ends = ends;
    }

    /** What one line means; empty when it is not such a line. */
    Optional<List<Card>> read(String line) {
        Matcher words = LINE.matcher(line.strip());
        Matcher transistor = TYPED_TRANSISTOR.matcher(line.strip());
        if (!words.matches()) {
            return transistor.matches() && Transistors.law(transistor.group(2)).isPresent()
                    ? Optional.of(transistor(transistor.group(1), transistor.group(2), new Rest(transistor.group(3))))
                    : Optional.empty();
        }
        String reference = words.group(1).toUpperCase(Locale.ROOT);
        String word = words.group(3).toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
        Rest rest = new Rest(words.group(4));
        boolean output = "output".equalsIgnoreCase(words.group(2)) || word.equals("output");
        return Optional.of(
                switch (word) {
                    case "transformer", "output" ->
                        output ? outputTransformer(reference, rest) : transformer(reference, words.group(4));
                    case "selenium" -> selenium(reference, rest);
                    case "silicon", "diode", "rectifier" -> diode(reference, rest);
                    case "lamp" -> lamp(reference, rest);
                    case "fuse" -> fuse(reference, rest);
                    case "switch" -> contact(reference, rest);
                    case "choke" -> coil(reference, rest, CHOKE_HENRIES, "filter choke");
                    case "field", "field coil" -> coil(reference, rest, FIELD_HENRIES, "speaker field");
                    case "speaker", "voice coil" -> speaker(reference, rest);
                    case "control", "potentiometer" -> control(reference, rest);
                    case "battery" -> battery(reference, rest);
                    default -> transistor(reference, "", rest);
                });
    }

    /** The words behind the kind: what is a figure, what are ends, and what nobody understands. */
    private final class Rest {
        private final List<String> words = new ArrayList<>();
        private List<String> nodes = List.of();
        private String description = "";

        Rest(String text) {
            Matcher quoted = Pattern.compile("\"([^\"]*)\"").matcher(text);
            if (quoted.find()) {
                description = quoted.group(1).strip();
            }
            for (String word : text.replaceAll("\"[^\"]*\"", " ").strip().split("[\\s,]+")) {
                if (word.isEmpty()) {
                    continue;
                }
                if (nodes.isEmpty() && isEnds(word)) {
                    nodes = List.of(word.split("-")).stream().map(ends::node).toList();
                } else {
                    words.add(word);
                }
            }
        }

        private static boolean isEnds(String word) {
            return word.indexOf('-') > 0
                    && !CENTRED.matcher(word).matches()
                    && word.split("-").length >= 2
                    && word.matches("[^-=\\s]+(?:-[^-=\\s]+)+");
        }

        Optional<Matcher> take(Pattern pattern) {
            for (String word : words) {
                Matcher matcher = pattern.matcher(word);
                if (matcher.matches()) {
                    words.remove(word);
                    return Optional.of(matcher);
                }
            }
            return Optional.empty();
        }

        List<String> ends(String reference, int least, int most, String example) {
            if (nodes.size() < least || nodes.size() > most) {
                throw new InvalidEntry(
                        SYNTAX,
                        reference + (nodes.isEmpty() ? " has no ends" : " has " + nodes.size() + " ends")
                                + "; write them joined by a hyphen, as in " + example + ".");
            }
            return nodes;
        }

        /** The ends of a line that is read: whatever is left was not understood. */
        List<String> finish(String reference, int least, int most, String example) {
            List<String> at = ends(reference, least, most, example);
            done(reference, example);
            return at;
        }

        private void done(String reference, String example) {
            if (!words.isEmpty()) {
                throw new InvalidEntry(
                        SYNTAX,
                        "“" + String.join("”, “", words) + "” of " + reference + " is not understood; write it as in "
                                + example + ", and put a remark into quotes.");
            }
        }
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    /** Ohms with their unit or without. */
    private static double wire(Rest rest, String reference, String what, String example) {
        return rest.take(OHMS)
                .or(() -> rest.take(NUMBER))
                .map(PartWords::ohms)
                .orElseThrow(() -> new InvalidEntry(SYNTAX, reference + " needs " + what + ", as in " + example + "."));
    }

    private static double ohms(Matcher matcher) {
        String prefix = matcher.group(2) == null ? "" : matcher.group(2).toLowerCase(Locale.ROOT);
        return number(matcher.group(1)) * (prefix.equals("k") ? 1e3 : prefix.isEmpty() ? 1 : 1e6);
    }

    private static Card card(
            String reference,
            List<String> nodes,
            Optional<Double> value,
            String model,
            Map<String, Double> parameters,
            String kind,
            String description) {
        Map<String, String> keys = new LinkedHashMap<>();
        if (!kind.isEmpty()) {
            keys.put("kind", kind);
        }
        if (!description.isEmpty()) {
            keys.put("desc", description);
        }
        return new Card(reference, nodes, value, model, 0, parameters, keys, 0);
    }

    /** In a deck a reference says by its letter what kind of card it is: F1 becomes RF1. */
    private static String as(char letter, String reference) {
        return reference.charAt(0) == letter ? reference : letter + reference;
    }

    private static String said(Rest rest, String usual) {
        return rest.description.isEmpty() ? usual : rest.description;
    }

    private List<Card> transformer(String reference, String text) {
        String example = reference + " transformer 117V line-0, 2x350V hv1-0-hv2, 6.3V heaters-0";
        List<String> nodes = new ArrayList<>();
        Map<String, Double> parameters = new LinkedHashMap<>();
        String description = "transformer";
        for (String winding : text.split(",")) {
            if (winding.isBlank()) {
                continue;
            }
            Rest rest = new Rest(winding);
            description = said(rest, description);
            Optional<Matcher> centred = rest.take(CENTRED);
            Optional<Matcher> plain = centred.isPresent() ? Optional.empty() : rest.take(VOLTS);
            double volts = centred.map(m -> number(m.group(1)))
                    .or(() -> plain.map(m -> number(m.group(2))))
                    .orElseThrow(() -> new InvalidEntry(
                            SYNTAX,
                            "“" + winding.strip() + "” of " + reference
                                    + " has no volts; each winding is its volts and its ends, as in " + example + "."));
            boolean halves =
                    centred.isPresent() || plain.filter(m -> m.group(1) != null).isPresent();
            Optional<Matcher> ohms = rest.take(OHMS);
            rest.take(AMPERES);
            List<String> at = rest.finish(reference, halves ? 3 : 2, 3, example);
            for (int i = 0; i + 1 < at.size(); i++) {
                int number = nodes.size() / 2;
                double each = halves || at.size() == 2 ? volts : volts / 2;
                parameters.put(number == 0 ? "VP" : "V" + number, each);
                parameters.put(
                        number == 0 ? "RP" : "R" + number,
                        ohms.map(PartWords::ohms).orElse(each > 60 ? each * COPPER * 8 : each * COPPER / 2));
                nodes.addAll(at.subList(i, i + 2));
            }
        }
        if (nodes.size() < 4) {
            throw new InvalidEntry(
                    SYNTAX,
                    reference + " needs a primary and one winding more, parted by commas, as in " + example + ".");
        }
        return List.of(card(
                as('X', reference),
                List.copyOf(nodes),
                Optional.empty(),
                "XFMR",
                parameters,
                "transformer",
                description));
    }

    private List<Card> outputTransformer(String reference, Rest rest) {
        String example = reference + " output 5k:3.2 b1-V4.plate-speaker-0";
        rest.words.removeIf(word -> word.equalsIgnoreCase("transformer"));
        Matcher ratio = rest.take(RATIO)
                .orElseThrow(() -> new InvalidEntry(
                        SYNTAX,
                        reference + " needs its loads or its turns, such as 5k:3.2 or 40:1, as in " + example + "."));
        double primary = number(ratio.group(1)) * (ratio.group(2) == null ? 1 : 1e3);
        double secondary = number(ratio.group(3));
        Optional<Matcher> ohms = rest.take(OHMS);
        List<String> at = rest.finish(reference, 4, 5, example);
        boolean loads = ratio.group(2) != null || primary > 200;
        double turns = loads ? Math.sqrt(primary / secondary) : primary / secondary;
        double copper = ohms.map(PartWords::ohms).orElse(loads ? 0.07 * primary : 300);
        Map<String, Double> parameters = new LinkedHashMap<>();
        List<String> nodes = new ArrayList<>();
        boolean pushPull = at.size() == 5;
        if (pushPull) {
            nodes.addAll(List.of(at.get(0), at.get(1), at.get(1), at.get(2), at.get(3), at.get(4)));
            parameters.put("VP", 50.0);
            parameters.put("RP", rounded(copper / 2));
            parameters.put("V1", 50.0);
            parameters.put("R1", rounded(copper / 2));
        } else {
            nodes.addAll(at);
            parameters.put("VP", 100.0);
            parameters.put("RP", rounded(copper));
        }
        parameters.put(pushPull ? "V2" : "V1", rounded(100 / turns));
        parameters.put(pushPull ? "R2" : "R1", 0.4);
        return List.of(card(
                as('X', reference),
                List.copyOf(nodes),
                Optional.empty(),
                "XFMR",
                parameters,
                "transformer",
                said(rest, "output transformer")));
    }

    private static double rounded(double value) {
        return new java.math.BigDecimal(value)
                .round(new java.math.MathContext(4))
                .doubleValue();
    }

    private List<Card> selenium(String reference, Rest rest) {
        String example = reference + " selenium 5 plates anode-cathode";
        rest.words.removeIf(word -> word.toLowerCase(Locale.ROOT).matches("plates?|rectifier|stack"));
        double plates = rest.take(Pattern.compile("([0-9]{1,3})()"))
                .map(m -> number(m.group(1)))
                .orElseThrow(() -> new InvalidEntry(
                        SYNTAX, reference + " needs the number of its plates, as in " + example + "."));
        List<String> at = rest.finish(reference, 2, 2, example);
        return List.of(card(
                as('X', reference),
                at,
                Optional.empty(),
                "SELENIUM",
                Map.of("N", plates),
                "selenium",
                said(rest, "metal rectifier")));
    }

    private List<Card> diode(String reference, Rest rest) {
        String example = reference + " silicon anode-cathode";
        rest.words.removeIf(word -> word.toLowerCase(Locale.ROOT).matches("diode|rectifier|silicon|1n400[1-7]"));
        List<String> at = rest.finish(reference, 2, 2, example);
        return List.of(card(
                as('D', reference),
                at,
                Optional.empty(),
                "RECT",
                Map.of(),
                "silicon",
                said(rest, "silicon rectifier")));
    }

    private List<Card> lamp(String reference, Rest rest) {
        String example = reference + " lamp 6.3V 0.15A heaters-0, or lamp 47";
        Optional<Lamps> known = rest.words.stream()
                .filter(word -> Lamps.of(word).isPresent())
                .findFirst()
                .flatMap(Lamps::of);
        rest.words.removeIf(word -> Lamps.of(word).isPresent());
        Map<String, Double> parameters = new LinkedHashMap<>();
        if (known.isPresent()) {
            parameters.put("V", known.get().volts());
            parameters.put("A", known.get().amperes());
        } else {
            Optional<Matcher> volts = rest.take(VOLTS);
            Optional<Matcher> amperes = rest.take(AMPERES);
            if (volts.isEmpty() || amperes.isEmpty()) {
                throw new InvalidEntry(
                        SYNTAX, reference + " needs its number or its volts and amperes, as in " + example + ".");
            }
            parameters.put("V", number(volts.get().group(2)));
            parameters.put("A", amperes(amperes.get()));
        }
        List<String> at = rest.finish(reference, 2, 2, example);
        return List.of(
                card(as('X', reference), at, Optional.empty(), "LAMP", parameters, "lamp", said(rest, "dial lamp")));
    }

    private static double amperes(Matcher matcher) {
        return number(matcher.group(1)) * (matcher.group(2) == null ? 1 : 1e-3);
    }

    private List<Card> fuse(String reference, Rest rest) {
        String example = reference + " fuse 0.5A line-line_sw";
        String rated = rest.take(AMPERES).map(m -> " " + m.group()).orElse("");
        rest.words.removeIf(word -> word.toLowerCase(Locale.ROOT).matches("slow|fast|quick|t|f"));
        List<String> at = rest.finish(reference, 2, 2, example);
        return List.of(card(
                as('R', reference), at, Optional.of(CONTACT_OHMS), "", Map.of(), "fuse", said(rest, "fuse" + rated)));
    }

    private List<Card> contact(String reference, Rest rest) {
        String example = reference + " switch line-line_sw, or switch FM bplus-fm_feed";
        List<String> at = rest.ends(reference, 2, 2, example);
        List<String> modes =
                rest.words.stream().map(word -> word.toUpperCase(Locale.ROOT)).toList();
        Card card =
                card(as('R', reference), at, Optional.of(CONTACT_OHMS), "", Map.of(), "switch", said(rest, "switch"));
        if (modes.isEmpty()) {
            return List.of(card);
        }
        Map<String, String> keys = new LinkedHashMap<>(card.keys());
        keys.put("closed", String.join(",", modes));
        return List.of(card.withKeys(keys));
    }

    private List<Card> coil(String reference, Rest rest, double usualHenries, String description) {
        String example = reference + " " + description.replaceFirst(".* ", "") + " 10H 350R reservoir-b1";
        double henries = rest.take(HENRIES)
                .map(m -> number(m.group(1)) * (m.group(2) == null ? 1 : 1e-3))
                .orElse(usualHenries);
        double resistance = wire(rest, reference, "the ohms of its wire", example);
        List<String> at = rest.finish(reference, 2, 2, example);
        Card card =
                card(as('L', reference), at, Optional.of(henries), "", Map.of(), "winding", said(rest, description));
        Map<String, String> keys = new LinkedHashMap<>(card.keys());
        keys.put(
                "rser",
                java.math.BigDecimal.valueOf(resistance).stripTrailingZeros().toPlainString());
        return List.of(card.withKeys(keys));
    }

    private List<Card> speaker(String reference, Rest rest) {
        String example = reference + " speaker 3.2R speaker-0";
        double resistance = wire(rest, reference, "its voice coil's ohms", example);
        List<String> at = rest.finish(reference, 2, 2, example);
        return List.of(card(
                as('R', reference), at, Optional.of(resistance), "", Map.of(), "winding", said(rest, "voice coil")));
    }

    /** Top, wiper and foot; a tap stands between the wiper and the foot with the ohms below it. */
    private List<Card> control(String reference, Rest rest) {
        String example = reference + " control 500k audio-wiper-0, with a tap control 1M audio-wiper-tap-0";
        double whole = rest.take(Pattern.compile("(?i)([0-9]*[.,]?[0-9]+)(k|m|meg)?(?:r|ohms?|Ω)?"))
                .map(PartWords::ohms)
                .orElseThrow(() -> new InvalidEntry(SYNTAX, reference + " needs its ohms, as in " + example + "."));
        List<String> at = rest.finish(reference, 3, 4, example);
        if (!(whole >= 100 && whole <= 20e6)) {
            throw new InvalidEntry(OUT_OF_RANGE, reference + ": a control has 100 Ω to 20 MΩ.");
        }
        List<Card> cards = new ArrayList<>();
        for (int i = 0; i + 1 < at.size(); i++) {
            // Turned half up; of a tapped one the tap is at half of what is below.
            double part = whole / 2 / (at.size() == 4 && i > 0 ? 2 : 1);
            cards.add(card(
                    as('R', reference) + (char) ('A' + i),
                    at.subList(i, i + 2),
                    Optional.of(part),
                    "",
                    Map.of(),
                    "pot",
                    said(rest, "control")
                            + (i == 0 ? ", upper part" : i == at.size() - 2 ? ", lower part" : ", middle")));
        }
        return List.copyOf(cards);
    }

    private List<Card> battery(String reference, Rest rest) {
        String example = reference + " battery 90V b1-0";
        double volts = rest.take(VOLTS)
                .map(m -> number(m.group(2)))
                .orElseThrow(() -> new InvalidEntry(SYNTAX, reference + " needs its volts, as in " + example + "."));
        List<String> at = rest.finish(reference, 2, 2, example);
        return List.of(
                card(as('V', reference), at, Optional.of(volts), "", Map.of(), "", said(rest, reference + " battery")));
    }

    private List<Card> transistor(String reference, String type, Rest rest) {
        String example = "Q1 OC71 collector-base-emitter";
        String model = type.isEmpty() && !rest.words.isEmpty() ? rest.words.remove(0) : type;
        if (Transistors.law(model.toUpperCase(Locale.ROOT)).isEmpty()) {
            throw new InvalidEntry(
                    UNKNOWN,
                    "“" + model
                            + "” is no transistor known here; check its number, or write it as a SPICE card with its"
                            + " model.");
        }
        List<String> at = rest.finish(reference, 3, 3, example);
        return List.of(card(
                as('Q', reference),
                at,
                Optional.empty(),
                model.toUpperCase(Locale.ROOT),
                Map.of(),
                "transistor",
                said(rest, "")));
    }
}
