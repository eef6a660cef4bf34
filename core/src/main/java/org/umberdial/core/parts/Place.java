package org.umberdial.core.parts;

import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * Where a capacitor sits, as far as it decides what leak is allowed there.
 *
 * @param role what it does; empty where the network does not say
 * @param line whether it bridges the line
 * @param workingVolts most that stands across it in the healthy set [V]; empty when that is not known
 * @param leastOhms least leak resistance the place allows [Ω]; empty when nothing tells
 * @param sure whether the parts that decide it are known of this very set, and not as such sets usually are
 * @param guardsGrid whether its leak would move a grid before anything else
 * @param because what comes first beyond it, a sentence without its full stop; empty when the place itself stands more
 *     than the part does, or nothing tells
 */
public record Place(
        Optional<NetworkRole> role,
        boolean line,
        OptionalDouble workingVolts,
        OptionalDouble leastOhms,
        boolean sure,
        boolean guardsGrid,
        String because) {
    /** Nothing is known of it. */
    static final Place UNKNOWN =
            new Place(Optional.empty(), false, OptionalDouble.empty(), OptionalDouble.empty(), true, false, "");

    /** What leak it allows, in a sentence; empty when nothing tells. */
    public String says() {
        return leastOhms.isEmpty()
                ? ""
                : (because.isEmpty() ? "A sound one has " : "This place allows no less than ")
                        + Engineering.print(leastOhms.getAsDouble(), Unit.OHM)
                        + (because.isEmpty() ? " or more" : ", or " + because)
                        + (sure || because.isEmpty() ? "." : ", as such sets usually are; not checked.");
    }

    boolean is(NetworkRole one) {
        return role.filter(one::equals).isPresent();
    }
}
