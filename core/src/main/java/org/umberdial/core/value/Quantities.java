package org.umberdial.core.value;

import java.util.function.DoublePredicate;

/** The last guard of the quantity records: what numbers each of them may hold. */
final class Quantities {
    static final DoublePredicate FINITE = Double::isFinite;
    static final DoublePredicate NOT_NEGATIVE = value -> value >= 0;
    static final DoublePredicate NOT_NEGATIVE_FINITE = value -> value >= 0 && Double.isFinite(value);

    private Quantities() {}

    static void require(double value, String quantity, DoublePredicate allowed) {
        if (!allowed.test(value)) {
            throw new IllegalArgumentException(quantity + " cannot be " + value);
        }
    }
}
