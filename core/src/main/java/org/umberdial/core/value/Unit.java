package org.umberdial.core.value;

import java.util.Set;

/** The SI units readings and part values are kept in, with the words people write for them. */
public enum Unit {
    VOLT("V", "v", "volt", "volts", "vdc", "vac"),
    AMPERE("A", "a", "amp", "amps", "ampere", "amperes"),
    OHM("Ω", "ω", "ohm", "ohms", "o"),
    FARAD("F", "f", "farad", "farads"),
    HENRY("H", "h", "henry", "henries"),
    WATT("W", "w", "watt", "watts"),
    SECOND("s", "s", "sec", "second", "seconds"),
    HERTZ("Hz", "hz", "hertz", "cycles"),
    PERCENT("%", "%", "percent");

    private final String symbol;
    private final Set<String> words;

    Unit(String symbol, String... words) {
        this.symbol = symbol;
        this.words = Set.of(words);
    }

    public String symbol() {
        return symbol;
    }

    /** Whether people write this unit so; {@code word} in lower case. */
    boolean isWritten(String word) {
        return words.contains(word);
    }
}
