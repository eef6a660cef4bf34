package org.umberdial.core.instrument;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.value.InvalidEntry;

/**
 * One instrument of a bench.
 *
 * @param retired no longer offered; what was read with it stays as it is
 * @param abilities at least one, no kind twice
 */
public record Instrument(String id, String name, boolean retired, List<Ability> abilities) {
    /** @throws InvalidEntry when it does nothing, or something twice */
    public Instrument {
        abilities = List.copyOf(abilities);
        if (abilities.isEmpty()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.SYNTAX, "An instrument does at least one thing; choose what it measures.")
                    .at("abilities");
        }
        if (abilities.stream().map(Ability::kind).distinct().count() < abilities.size()) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "Name each thing an instrument does once.")
                    .at("abilities");
        }
    }

    public Optional<Ability> ability(Equipment kind) {
        return abilities.stream().filter(a -> a.kind() == kind).findFirst();
    }

    public boolean does(Equipment kind) {
        return ability(kind).isPresent();
    }
}
