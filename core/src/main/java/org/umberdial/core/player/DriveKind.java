package org.umberdial.core.player;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.value.InvalidEntry;

/** How a player turns. */
public enum DriveKind {
    IDLER("Idler wheel", "a rubber wheel between motor shaft and the inside of the rim"),
    BELT("Belt", "a belt from the motor’s pulley round the platter"),
    RIM("Motor on the rim", "the motor’s own rubber wheel against the rim"),
    DIRECT("Motor under the platter", "the platter sits on the motor’s shaft"),
    SPRING("Spring motor", "wound by hand, held by a governor"),
    WIRE("Wire transport", "a recorder for wire"),
    TAPE("Tape transport", "a recorder for tape");

    private final String label;
    private final String what;

    DriveKind(String label, String what) {
        this.label = label;
        this.what = what;
    }

    public String label() {
        return label;
    }

    public String what() {
        return what;
    }

    /** As it is kept. */
    public String id() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** Whether it turns a record. */
    public boolean turnsRecords() {
        return this != WIRE && this != TAPE;
    }

    /** Whether a belt or wheel carries the motor's turning to the platter. */
    public boolean carries() {
        return this == IDLER || this == BELT || this == RIM;
    }

    /** @throws InvalidEntry for an id that is none */
    public static DriveKind of(String id) {
        return Arrays.stream(values())
                .filter(kind -> kind.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN,
                                "There is no drive “" + id + "”: choose one of "
                                        + String.join(
                                                ", ",
                                                Arrays.stream(values())
                                                        .map(DriveKind::id)
                                                        .toList())
                                        + ".")
                        .at("drive"));
    }

    /** Whether a table's cell, {@code idler|belt} or {@code any}, means this one. */
    static boolean means(String cell, DriveKind kind) {
        return cell.equals("any") && kind.turnsRecords()
                || List.of(cell.split("\\|")).contains(kind.id());
    }
}
