package org.umberdial.core.set;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Tolerance;
import org.umberdial.core.value.Unit;

/**
 * A part of the set: its card in the network and every value known for it.
 *
 * @param card reference, nodes, kind and keys; its own value is the first of {@code values} when there is one
 * @param values in the order they were entered; several of one origin: the last holds
 * @param origin whose part it is: {@link ValueOrigin#SHEET} for the set's own, else as usually built or a relative's
 */
public record Part(Card card, List<PartValue> values, ValueOrigin origin) {
    /** A part of the set's own circuit. */
    public Part(Card card, List<PartValue> values) {
        this(card, values, ValueOrigin.SHEET);
    }

    /** Old carbon and unmarked parts: the widest usual tolerance. */
    private static final Tolerance UNMARKED = Tolerance.percent(20);

    public String reference() {
        return card.reference();
    }

    public List<String> nodes() {
        return card.nodes();
    }

    /** The unit its value is in; empty for tubes, diodes and transformers. */
    public Optional<Unit> unit() {
        return switch (card.letter()) {
            case 'R' -> Optional.of(Unit.OHM);
            case 'C' -> Optional.of(Unit.FARAD);
            case 'L' -> Optional.of(Unit.HENRY);
            case 'V' -> Optional.of(Unit.VOLT);
            case 'I' -> Optional.of(Unit.AMPERE);
            default -> Optional.empty();
        };
    }

    public Tolerance tolerance() {
        return number("tol")
                .filter(percent -> percent > 0 && percent <= 100)
                .map(Tolerance::percent)
                .orElse(UNMARKED);
    }

    public Optional<Double> ratingVolts() {
        return number("volt");
    }

    public Optional<Double> ratingWatts() {
        return number("watt");
    }

    public String description() {
        return card.key("desc").orElse("");
    }

    /** The latest value of an origin. */
    public Optional<PartValue> latest(ValueOrigin origin) {
        return values.stream().filter(value -> value.origin() == origin).reduce((first, second) -> second);
    }

    /**
     * The value to reckon with: what was decided, else what is fitted, else the sheet, else the marking. Empty when the
     * part has no number.
     */
    public Optional<Double> workingValue() {
        return latest(ValueOrigin.DECIDED)
                .or(() -> latest(ValueOrigin.FITTED))
                .or(() -> latest(ValueOrigin.SHEET))
                .or(() -> latest(ValueOrigin.BODY))
                .or(() -> latest(ValueOrigin.RELATIVE))
                .or(() -> latest(ValueOrigin.USUAL))
                .map(PartValue::value)
                .or(card::value);
    }

    /** The value the sheet's voltages belong to. */
    public Optional<Double> sheetValue() {
        return latest(ValueOrigin.SHEET).map(PartValue::value).or(this::workingValue);
    }

    /**
     * Whether nothing about this very set says what it should be: what it has is what such sets usually have, or what a
     * relative has. Such a value helps to expect something and accuses nobody.
     */
    public boolean unconfirmed() {
        return !origin.own()
                && values.stream().noneMatch(value -> value.origin().own());
    }

    /** A sentence when its values disagree beyond its tolerance and nothing was decided; empty when they agree. */
    public Optional<String> conflict() {
        if (latest(ValueOrigin.DECIDED).isPresent() || unit().isEmpty()) {
            return Optional.empty();
        }
        List<PartValue> known = java.util.Arrays.stream(ValueOrigin.values())
                .filter(ValueOrigin::own)
                .flatMap(origin -> latest(origin).stream())
                .toList();
        Optional<PartValue> least = known.stream().min(Comparator.comparingDouble(PartValue::value));
        Optional<PartValue> most = known.stream().max(Comparator.comparingDouble(PartValue::value));
        if (least.isEmpty()
                || tolerance().covers(least.get().value(), most.get().value())) {
            return Optional.empty();
        }
        return Optional.of(say(least.get()) + " but " + say(most.get()) + ": decide which one holds.");
    }

    private String say(PartValue value) {
        return value.origin().label() + " says " + Engineering.print(value.value(), unit().orElseThrow());
    }

    private Optional<Double> number(String key) {
        try {
            return card.key(key).map(Double::parseDouble).filter(Double::isFinite);
        } catch (NumberFormatException notANumber) {
            return Optional.empty();
        }
    }
}
