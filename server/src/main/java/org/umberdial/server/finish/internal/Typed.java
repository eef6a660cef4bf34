package org.umberdial.server.finish.internal;

import java.util.Optional;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.setfile.OpenSet;

/** Figures as the shop writes them. */
final class Typed {
    private final ValueReader values;

    Typed(OpenSet set) {
        values = new ValueReader(set.policy().decimalSign());
    }

    /** Empty when nothing was typed. */
    Optional<Double> figure(String field, String what, String text) {
        return text.isBlank() ? Optional.empty() : Optional.of(required(field, what, text));
    }

    /**
     * @param what it is, as a sentence begins
     * @throws InvalidEntry at the field, when it is empty or no number
     */
    double required(String field, String what, String text) {
        try {
            return values.number(text.strip());
        } catch (InvalidEntry refused) {
            throw new InvalidEntry(refused.code(), what + ": " + refused.getMessage()).at(field);
        }
    }
}
