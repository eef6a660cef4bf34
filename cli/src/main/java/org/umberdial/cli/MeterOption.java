package org.umberdial.cli;

import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.InvalidEntry;
import picocli.CommandLine.Option;

/** The meter that is read, for every verb that shows what one shows. */
final class MeterOption {
    @Option(
            names = "--meter",
            paramLabel = "10M|20k/V",
            description = "input resistance or sensitivity of the meter, 10M unless said; 20k/V@250 fixes the range")
    private String meter = "10M";

    Meter meter() {
        try {
            return Meter.parse(meter);
        } catch (InvalidEntry refused) {
            throw new Refused("--meter: " + refused.getMessage(), Umber.BAD_INPUT);
        }
    }
}
