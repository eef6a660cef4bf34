package org.umberdial.core.supply;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;

/** Where two supplies of a set, or a set's and the bench's, can meet. */
public final class Backfeed {
    private Backfeed() {}

    /** What to mind, a sentence each; empty for a set with neither transformer nor a second supply. */
    public static List<String> of(BenchSet set) {
        List<String> minds = new ArrayList<>();
        PartRoles roles = new PartRoles(set.cards(), set.tubes().data());
        boolean transformer = set.parts().stream()
                .anyMatch(part -> roles.role(part.reference())
                        .filter(role -> role == NetworkRole.POWER_TRANSFORMER)
                        .isPresent());
        if (transformer) {
            minds.add(
                    "Volts fed into a heater or other winding come out of the plug at full line voltage: plug out of the wall, "
                            + "its pins covered, before the set is fed from another set or a bench supply.");
        }
        List<Part> sources =
                set.parts().stream().filter(part -> part.card().letter() == 'V').toList();
        if (sources.size() > 1) {
            minds.add("Two supplies can meet in this set ("
                    + sources.stream().map(Backfeed::called).collect(Collectors.joining(", "))
                    + "): see that its switch parts them before one of them is connected.");
        }
        return minds;
    }

    private static String called(Part part) {
        return part.description().isEmpty() ? part.reference() : part.description();
    }
}
