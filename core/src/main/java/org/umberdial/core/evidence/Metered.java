package org.umberdial.core.evidence;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.value.Engineering;

/**
 * What a meter showed.
 *
 * @param subject a node for voltages, a part reference for a part's ohms
 * @param reference node of the other lead, {@code 0} for chassis or minus rail
 * @param value SI, in the unit of {@code kind}
 * @param lineVolts line voltage at the time, above 0 V
 * @param meter its notation; empty when unknown
 * @param mode band or mode, empty when the set has only one
 * @param minutesOn since switch-on; null when unknown
 * @param lifted reference of a part with a lead lifted, or what else was not as in the whole set, as in {@code V3 out};
 *     empty when nothing was
 */
public record Metered(
        String subject,
        String reference,
        ReadingKind kind,
        double value,
        double lineVolts,
        String meter,
        String mode,
        Double minutesOn,
        String lifted)
        implements Fact {
    public static Metered of(Reading reading) {
        return new Metered(
                reading.subject(),
                reading.reference(),
                reading.kind(),
                reading.value(),
                reading.lineVolts(),
                reading.meter().map(Meter::notation).orElse(""),
                reading.mode(),
                reading.minutesOn().isPresent() ? reading.minutesOn().getAsDouble() : null,
                reading.lifted());
    }

    public Optional<Meter> meterUsed() {
        return Optional.of(meter).filter(notation -> !notation.isEmpty()).map(Meter::parse);
    }

    public OptionalDouble minutes() {
        return minutesOn == null ? OptionalDouble.empty() : OptionalDouble.of(minutesOn);
    }

    /** Whether the set was under power for it. */
    public boolean powered() {
        return kind != ReadingKind.OHMS;
    }

    @Override
    public String sentence() {
        return subject + " " + Engineering.print(value, kind.unit()) + (lifted.isEmpty() ? "" : ", " + otherwise());
    }

    /** What was not as in the whole set, in words: {@code C4 lifted}, {@code V3 out}; empty when nothing was. */
    public String otherwise() {
        return lifted.isEmpty() || lifted.contains(" ") ? lifted : lifted + " lifted";
    }
}
