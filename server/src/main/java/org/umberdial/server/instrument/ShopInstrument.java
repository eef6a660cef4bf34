package org.umberdial.server.instrument;

import java.util.List;
import org.umberdial.core.instrument.Instrument;

/**
 * One instrument of the shop's.
 *
 * @param lastControls its latest control reading of each kind
 */
public record ShopInstrument(Instrument instrument, int version, List<ControlReading> lastControls) {
    public String id() {
        return instrument.id();
    }
}
