package org.umberdial.core.circuit.deck;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * One part line of a deck.
 *
 * @param reference as written, its first letter names the kind of card
 * @param nodes in the order of the card, lower case; for K cards the names of the coupled windings
 * @param value SI value for R, C, L, K and DC sources; for {@code SIN} sources the RMS volts; empty when it has none
 * @param model model or tube type for D and X cards, empty otherwise
 * @param hertz frequency of a {@code SIN} source, 0 for DC
 * @param parameters {@code NAME=number} pairs of an X card, names in upper case
 * @param keys the pairs behind {@code ;}, names in lower case, in the order written
 * @param line line number in the file, from 1; 0 when it was not read from one
 */
public record Card(
        String reference,
        List<String> nodes,
        Optional<Double> value,
        String model,
        double hertz,
        Map<String, Double> parameters,
        Map<String, String> keys,
        int line) {

    /** The same part with another value, SI. */
    public Card withValue(double changed) {
        return new Card(reference, nodes, Optional.of(changed), model, hertz, parameters, keys, line);
    }

    /** The same part by another name. */
    public Card withReference(String changed) {
        return new Card(changed, nodes, value, model, hertz, parameters, keys, line);
    }

    /** The same part at other nodes. */
    public Card withNodes(List<String> changed) {
        return new Card(reference, changed, value, model, hertz, parameters, keys, line);
    }

    /** The same part of another model or tube type. */
    public Card withModel(String changed) {
        return new Card(reference, nodes, value, changed, hertz, parameters, keys, line);
    }

    /** The same part with other {@code NAME=number} pairs. */
    public Card withParameters(Map<String, Double> changed) {
        return new Card(reference, nodes, value, model, hertz, changed, keys, line);
    }

    /** The same part with other pairs behind {@code ;}. */
    public Card withKeys(Map<String, String> changed) {
        return new Card(reference, nodes, value, model, hertz, parameters, changed, line);
    }

    /**
     * What people call a tube of which a card is a section or the heater: {@code V3} for {@code XV3A} and {@code XV3H}.
     */
    public static String tube(String reference) {
        return reference.replaceFirst("(?i)^X", "").replaceFirst("(?<=[0-9])[A-Za-z].*$", "");
    }

    public char letter() {
        return Character.toUpperCase(reference.charAt(0));
    }

    public Optional<String> key(String name) {
        return Optional.ofNullable(keys.get(name));
    }

    /** The {@code kind=} key in lower case, or what the letter alone says. */
    public String kind() {
        return key("kind")
                .map(kind -> kind.toLowerCase(Locale.ROOT))
                .orElse(
                        switch (letter()) {
                            case 'R' -> "resistor";
                            case 'C' -> "capacitor";
                            case 'L' -> "winding";
                            case 'V' -> hertz > 0 ? "line" : "source";
                            case 'I' -> "source";
                            case 'D' -> "silicon";
                            case 'Q' -> "transistor";
                            case 'X' ->
                                switch (model) {
                                    case "XFMR" -> "transformer";
                                    case "SELENIUM" -> "selenium";
                                    case "LAMP", "NEON" -> "lamp";
                                    case "NTC" -> "thermistor";
                                    case "BARRETTER" -> "barretter";
                                    default -> "tube";
                                };
                            default -> "coupling";
                        });
    }
}
