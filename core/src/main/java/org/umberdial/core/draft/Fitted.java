package org.umberdial.core.draft;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.tube.TubeSystem;
import org.umberdial.core.tube.TubeType;

/**
 * A tube of a line-up in its socket.
 *
 * @param socket V1, V2, ... in the order given
 * @param typed as it was written
 * @param type empty for one that nothing is known of
 * @param heaterVolts said of an unknown type [V]
 * @param heaterAmperes said of an unknown type [A]
 */
public record Fitted(
        String socket,
        String typed,
        Optional<TubeType> type,
        OptionalDouble heaterVolts,
        OptionalDouble heaterAmperes) {
    /** How it is named in a sentence. */
    public String name() {
        return socket + " " + typed;
    }

    List<TubeSystem> systems() {
        return type.map(TubeSystem::of).orElse(List.of());
    }

    OptionalDouble volts() {
        return heaterVolts.isPresent()
                ? heaterVolts
                : type.map(TubeType::heaterVolts).orElse(OptionalDouble.empty());
    }

    OptionalDouble amperes() {
        return heaterAmperes.isPresent()
                ? heaterAmperes
                : type.map(TubeType::heaterAmperes).orElse(OptionalDouble.empty());
    }

    boolean isFilament() {
        return type.filter(TubeType::isDirectlyHeated).isPresent();
    }
}
