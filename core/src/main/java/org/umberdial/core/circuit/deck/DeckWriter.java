package org.umberdial.core.circuit.deck;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;

/** Writes a deck back in the form it is read in; unknown keys are kept. */
public final class DeckWriter {
    private DeckWriter() {}

    public static String write(Deck deck) {
        StringBuilder out = new StringBuilder("* " + deck.title().replaceAll("\\R", " ") + "\n");
        if (!deck.modes().isEmpty()) {
            out.append("*MODES ").append(String.join(" ", deck.modes())).append('\n');
        }
        for (Card card : deck.cards()) {
            out.append(line(card)).append('\n');
        }
        deck.models()
                .forEach((name, values) -> out.append(".model ")
                        .append(name)
                        .append(' ')
                        .append(kind(values))
                        .append('(')
                        .append(pairs(numbers(values)))
                        .append(")\n"));
        for (Deck.SocketPins socket : deck.sockets()) {
            out.append("*PINS ").append(socket.socket()).append(' ').append(socket.type());
            socket.pins()
                    .forEach((pin, node) ->
                            out.append(' ').append(pin).append('=').append(node));
            out.append('\n');
        }
        if (!deck.testPoints().isEmpty()) {
            out.append("*TP ").append(String.join(" ", deck.testPoints())).append('\n');
        }
        return out.append(".end\n").toString();
    }

    /** A transistor's polarity stands among its parameters, as the reader keeps it. */
    private static String kind(Map<String, Double> model) {
        return model.containsKey("PNP") ? "PNP" : model.containsKey("NPN") ? "NPN" : "D";
    }

    private static Map<String, Double> numbers(Map<String, Double> model) {
        Map<String, Double> numbers = new LinkedHashMap<>(model);
        numbers.keySet().removeAll(List.of("PNP", "NPN"));
        return numbers;
    }

    /** One part line, without the line end. */
    public static String line(Card card) {
        StringBuilder out = new StringBuilder(card.reference()).append(' ').append(String.join(" ", card.nodes()));
        if (card.hertz() > 0) {
            out.append(" SIN(0 ")
                    .append(number(nineDigits(card.value().orElse(0.0) * Math.sqrt(2))))
                    .append(' ')
                    .append(number(card.hertz()))
                    .append(')');
        } else if (card.value().isPresent()) {
            out.append(' ')
                    .append(
                            card.letter() == 'R' && card.value().get() < 1
                                    ? plain(card.value().get())
                                    : number(card.value().get()));
        } else {
            out.append(' ').append(card.model());
        }
        if (!card.parameters().isEmpty()) {
            out.append(' ').append(pairs(card.parameters()));
        }
        if (!card.keys().isEmpty()) {
            out.append(" ; ")
                    .append(card.keys().entrySet().stream().map(DeckWriter::key).collect(Collectors.joining(" ")));
        }
        return out.toString();
    }

    private static String key(Map.Entry<String, String> entry) {
        boolean quoted = entry.getValue().chars().anyMatch(Character::isWhitespace)
                || entry.getValue().isEmpty();
        return entry.getKey() + "=" + (quoted ? '"' + entry.getValue() + '"' : entry.getValue());
    }

    private static String pairs(Map<String, Double> values) {
        return values.entrySet().stream()
                .map(e -> e.getKey() + "=" + number(e.getValue()))
                .collect(Collectors.joining(" "));
    }

    /** Milliohms as a plain decimal, since the reader refuses a bare m on a resistor. */
    private static String plain(double value) {
        return new java.math.BigDecimal(Double.toString(value)).toPlainString();
    }

    /** The peak is kept as RMS in between; nine digits drop what the square root left. */
    private static double nineDigits(double value) {
        return new java.math.BigDecimal(value)
                .round(new java.math.MathContext(9))
                .doubleValue();
    }

    /** Shortest decimal with a SPICE suffix; reads back exactly. */
    static String number(double value) {
        double size = Math.abs(value);
        if (size != 0 && (size < 1e-12 || size >= 1e10)) {
            return String.format(Locale.ROOT, "%s", value).toLowerCase(Locale.ROOT);
        }
        return org.umberdial.core.value.Engineering.exact(value);
    }
}
