package org.umberdial.core.tube;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** The electrode systems a card can stand for, with their electrodes in the order of the card. */
public enum Section {
    TRIODE("T", Electrode.PLATE, Electrode.GRID, Electrode.CATHODE),
    PENTODE("P", Electrode.PLATE, Electrode.SCREEN, Electrode.GRID, Electrode.CATHODE),
    HEPTODE("X", Electrode.PLATE, Electrode.SCREEN, Electrode.GRID3, Electrode.GRID, Electrode.CATHODE),
    DIODE("D", Electrode.PLATE, Electrode.CATHODE),
    FULL_WAVE("", Electrode.PLATE, Electrode.PLATE2, Electrode.CATHODE),
    HEATER("H", Electrode.HEATER1, Electrode.HEATER2),
    TAPPED_HEATER("H", Electrode.HEATER1, Electrode.HEATER_TAP, Electrode.HEATER2);

    private final String suffix;
    private final List<Electrode> electrodes;

    Section(String suffix, Electrode... electrodes) {
        this.suffix = suffix;
        this.electrodes = List.of(electrodes);
    }

    public List<Electrode> electrodes() {
        return electrodes;
    }

    /** Whether this section amplifies: it has a control grid. */
    public boolean amplifies() {
        return electrodes.contains(Electrode.GRID);
    }

    /**
     * The section a card means, for types that do more than rectify; see {@link TubeData#section}.
     *
     * @param suffix the letter behind the underscore of the type, empty when it has none
     * @param nodes how many nodes the card has
     */
    public static Optional<Section> of(String suffix, int nodes) {
        if (!suffix.isEmpty()) {
            return Arrays.stream(values())
                    .filter(section -> section.electrodes.size() == nodes && section.suffix.equals(suffix))
                    .findFirst();
        }
        return switch (nodes) {
            case 2 -> Optional.of(DIODE);
            case 3 -> Optional.of(TRIODE);
            case 4 -> Optional.of(PENTODE);
            case 5 -> Optional.of(HEPTODE);
            default -> Optional.empty();
        };
    }
}
