package org.umberdial.core.instrument;

import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Stream;

/** Everything a bench can measure with, the retired among it. */
public record Kit(List<Instrument> instruments) {
    public Kit {
        instruments = List.copyOf(instruments);
    }

    /** What can be measured here now. */
    public Set<Equipment> kinds() {
        // Without them there is no cold bench, and any two clips and a resistor discharge.
        Set<Equipment> kinds = EnumSet.of(Equipment.VOLTMETER, Equipment.OHMMETER, Equipment.DISCHARGE_TOOL);
        inUse().forEach(instrument -> instrument.abilities().forEach(ability -> kinds.add(ability.kind())));
        return kinds;
    }

    /** Those that are not retired and can do any of this. */
    public List<Instrument> able(Set<Equipment> any) {
        return inUse().filter(i -> any.stream().anyMatch(i::does)).toList();
    }

    public Optional<Instrument> instrument(String id) {
        return instruments.stream().filter(i -> i.id().equals(id)).findFirst();
    }

    /**
     * The highest an instrument shows in something it does, in its unit; empty when nobody said, or when it is not
     * known which instrument it was.
     */
    public OptionalDouble highest(String instrumentId, Equipment kind) {
        return instrument(instrumentId)
                .flatMap(i -> i.ability(kind))
                .map(Ability::highest)
                .orElse(OptionalDouble.empty());
    }

    /** The highest volts anything here tests insulation or leaks with [V]; empty when nobody said of one of them. */
    public OptionalDouble highestTestVolts(Equipment kind) {
        List<Ability> all = inUse().flatMap(i -> i.ability(kind).stream()).toList();
        return all.isEmpty() || all.stream().anyMatch(a -> a.testVolts().isEmpty())
                ? OptionalDouble.empty()
                : OptionalDouble.of(all.stream()
                        .flatMap(a -> a.testVolts().stream())
                        .max(Comparator.naturalOrder())
                        .orElseThrow());
    }

    private Stream<Instrument> inUse() {
        return instruments.stream().filter(i -> !i.retired());
    }
}
