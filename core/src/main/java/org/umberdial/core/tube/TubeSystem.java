package org.umberdial.core.tube;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * One electrode system in a bulb: a card of its own in a deck.
 *
 * @param letter what its card's reference ends in: nothing for the one that carries the stage, {@code A} and {@code B}
 *     for twins, {@code T} for a triode beside, {@code D}, {@code D2}, {@code D3} for diodes, {@code R} for a rectifier
 *     beside
 * @param pins where each electrode comes out; several where it has several, none where the base is not known
 */
public record TubeSystem(String letter, Section section, Map<Electrode, List<String>> pins) {
    private static final Set<String> MAIN_PLATES = Set.of("p", "p(pent)", "p(hept)", "p(hex)", "p,target", "p1", "a");

    /**
     * The suffix that tells this section on a card: {@code T}, {@code P}, {@code X}, {@code D}; a full-wave has none.
     */
    public String suffix() {
        return switch (section) {
            case TRIODE -> "T";
            case PENTODE -> "P";
            case HEPTODE -> "X";
            case DIODE -> "D";
            case HEATER, TAPPED_HEATER -> "H";
            case FULL_WAVE -> "";
        };
    }

    /** Whether it is a signal diode beside other systems. */
    public boolean isSignalDiode() {
        return letter.startsWith("D");
    }

    /**
     * The systems of a type, the one that carries the stage first; empty for what has none that a card stands for, such
     * as a tuning eye without published figures.
     */
    public static List<TubeSystem> of(TubeType type) {
        return new Finder(type).systems();
    }

    /** Pins of the heater: its ends, and its tap in the middle when there is one. */
    public static List<String> heaterPins(TubeType type) {
        List<String> ends = new ArrayList<>();
        String tap = "";
        for (Pin pin : Pin.of(type.pinout())) {
            if (pin.label().equals("heater tap")
                    || pin.label().equals("h tap")
                    || pin.label().startsWith("f centre")) {
                tap = pin.name();
            } else if (pin.isHeater()) {
                ends.add(pin.name());
            }
        }
        // A filament's minus end comes first in the books; the plus end is where the supply is.
        if (ends.size() > 1
                && Pin.of(type.pinout()).stream().anyMatch(pin -> pin.label().startsWith("f-"))) {
            Pin.of(type.pinout()).stream()
                    .filter(pin -> pin.label().equals("f+"))
                    .findFirst()
                    .ifPresent(plus -> {
                        ends.remove(plus.name());
                        ends.add(0, plus.name());
                    });
        }
        if (!tap.isEmpty() && ends.size() > 1) {
            ends.add(1, tap);
        }
        return List.copyOf(ends);
    }

    /** What each pin is, as the table has it. */
    public static Map<String, String> labels(TubeType type) {
        Map<String, String> labels = new java.util.LinkedHashMap<>();
        Pin.of(type.pinout()).forEach(pin -> labels.put(pin.name(), pin.label()));
        return labels;
    }

    private static boolean isBesidePlate(String label) {
        return label.matches("p[(]triode[)]|g2[(]osc plate[)]|osc plate[(]g2[)]");
    }

    /** A pin as a table has it. */
    record Pin(String name, String label) {
        static List<Pin> of(String pinout) {
            List<Pin> pins = new ArrayList<>();
            for (String pair : pinout.split("\\s+(?=(?:[0-9]{1,2}|cap[0-9]?)=)")) {
                int equals = pair.indexOf('=');
                if (equals > 0) {
                    pins.add(new Pin(
                            pair.substring(0, equals).strip(),
                            pair.substring(equals + 1).strip().toLowerCase(Locale.ROOT)));
                }
            }
            return pins;
        }

        boolean isHeater() {
            return label.equals("h") || label.equals("h,k") || label.equals("f") || label.matches("f[+-].*|f,k");
        }
    }

    /** Reads the systems off the points, the use and the pins; one use. */
    private static final class Finder {
        private final TubeType type;
        private final List<Pin> pins;
        private final List<TubeSystem> found = new ArrayList<>();

        Finder(TubeType type) {
            this.type = type;
            this.pins = Pin.of(type.pinout());
        }

        List<TubeSystem> systems() {
            if (type.use().rectifies()) {
                rectifier();
                return found;
            }
            switch (type.use()) {
                case EYE, REGULATOR, BALLAST -> {
                    return found;
                }
                case DIODE_DOUBLE -> {
                    diode("A", "1");
                    diode("B", "2");
                    return found;
                }
                default -> amplifying();
            }
            signalDiodes();
            if (has("rectifier")) {
                add(
                        "R",
                        Section.DIODE,
                        Map.of(
                                Electrode.PLATE,
                                at("p(rect)"::equals),
                                Electrode.CATHODE,
                                at(l -> l.equals("k(rect)"))));
            }
            return found;
        }

        private void rectifier() {
            List<String> filament = pins.stream()
                    .filter(pin -> pin.label().matches("f|f,k|f[+]"))
                    .map(Pin::name)
                    .limit(1)
                    .toList();
            List<String> cathode = at(l -> l.matches("k|k[(].*|f,k|h,k"));
            switch (type.use()) {
                case RECTIFIER_HALF ->
                    add(
                            "",
                            Section.DIODE,
                            Map.of(
                                    Electrode.PLATE,
                                    at(l -> l.matches("p|p1|a")),
                                    Electrode.CATHODE,
                                    cathode.isEmpty() ? filament : cathode));
                case RECTIFIER_DOUBLE -> {
                    diode("A", "1");
                    diode("B", "2");
                }
                default ->
                    add(
                            "",
                            Section.FULL_WAVE,
                            Map.of(
                                    Electrode.PLATE,
                                    at("p1"::equals),
                                    Electrode.PLATE2,
                                    at("p2"::equals),
                                    Electrode.CATHODE,
                                    cathode.isEmpty() ? filament : cathode));
            }
        }

        private void diode(String letter, String number) {
            add(
                    letter,
                    Section.DIODE,
                    Map.of(
                            Electrode.PLATE,
                            at(l -> l.equals("p" + number) || l.equals("d" + number)),
                            Electrode.CATHODE,
                            at(("k" + number)::equals)));
        }

        private void amplifying() {
            boolean twin = type.use() == TubeUse.TRIODE_DOUBLE || type.use() == TubeUse.OUTPUT_DOUBLE;
            boolean pentode = has("pentode") || has("beam") || !hasAny() && usedAsPentode();
            boolean heptode = has("heptode") || !hasAny() && usedAsHeptode();
            if (heptode) {
                heptode();
            } else if (pentode) {
                pentode(twin);
            }
            boolean beside = !found.isEmpty();
            if (has("triode") || has("osc_plate") || has("triode_osc") || !hasAny() && usedAsTriode()) {
                if (beside) {
                    // Where a pentode's triode connection is published, there is no triode in the bulb.
                    if (!pins.isEmpty() && at(TubeSystem::isBesidePlate).isEmpty()
                            || pins.isEmpty() && !besideByUse()) {
                        return;
                    }
                    triode("T", TubeSystem::isBesidePlate, this::besideGrid);
                } else if (twin) {
                    triode("A", "p1"::equals, "g1"::equals);
                    triode("B", "p2"::equals, "g2"::equals);
                } else {
                    triode("", l -> l.matches("p|p[(]triode[)]|a"), l -> l.matches("g|g1|g[(](t|triode)[)]"));
                }
            }
        }

        /** The grid of a triode beside a mixer; a pentagrid's oscillator grid serves both. */
        private boolean besideGrid(String label) {
            return label.matches("g[(](t|triode)[)].*|g3,g[(]triode[)]|g1[(]osc[)]");
        }

        private void triode(String letter, Predicate<String> plate, Predicate<String> grid) {
            List<String> cathode = letter.equals("A")
                    ? at(l -> l.matches("k1|k"))
                    : letter.equals("B") ? at(l -> l.matches("k2|k")) : at(l -> l.matches("k[(]t.*"));
            add(
                    letter,
                    Section.TRIODE,
                    Map.of(
                            Electrode.PLATE,
                            at(plate),
                            Electrode.GRID,
                            at(grid),
                            Electrode.CATHODE,
                            cathode.isEmpty() ? commonCathode() : cathode));
        }

        private void pentode(boolean twin) {
            if (twin) {
                pentode("A", "p1", "g1(1)");
                pentode("B", "p2", "g1(2)");
                return;
            }
            List<String> cathode = at(l -> l.startsWith("k") && !l.matches("k[(](t|d).*|k[(]rect[)]|k[12]"));
            add(
                    "",
                    Section.PENTODE,
                    Map.of(
                            Electrode.PLATE,
                            at(MAIN_PLATES::contains),
                            Electrode.SCREEN,
                            at(l -> l.matches("g2|g2[(](pent|p)[)]|g2,g4")),
                            Electrode.GRID,
                            at(l -> l.matches("g1|g|g1[(](p|pent|signal)[)]")),
                            Electrode.CATHODE,
                            cathode.isEmpty() ? commonCathode() : cathode));
        }

        private void pentode(String letter, String plate, String grid) {
            add(
                    letter,
                    Section.PENTODE,
                    Map.of(
                            Electrode.PLATE,
                            at(plate::equals),
                            Electrode.SCREEN,
                            at("g2"::equals),
                            Electrode.GRID,
                            at(grid::equals),
                            Electrode.CATHODE,
                            commonCathode()));
        }

        /** Inner grid and signal grid by how they are named; a hexode takes the signal on its first grid. */
        private void heptode() {
            boolean pentagrid = type.use() == TubeUse.CONVERTER_PENTAGRID
                    || pins.stream()
                            .anyMatch(pin -> pin.label().matches("g3[(]signal[)]|g4[(]signal[)]|signal[(]g4[)]"));
            List<String> inner = at(l -> l.matches("g1|g1[(](osc|signal)[)]|g[(]triode[)],g1[(]hex[)]"));
            List<String> outer = at(l -> pentagrid
                    ? l.matches("g[34][(]signal[)]|signal[(]g4[)]|g4|g3")
                    : l.matches("g3|g3[(]osc[)]|g3,g[(]triode[)]|g[(]triode[)],g3"));
            add(
                    "",
                    Section.HEPTODE,
                    Map.of(
                            Electrode.PLATE,
                            at(MAIN_PLATES::contains),
                            Electrode.SCREEN,
                            at(l -> l.matches("g2,g4|g3,g5|screen.*")),
                            Electrode.GRID3,
                            outer,
                            Electrode.GRID,
                            inner,
                            Electrode.CATHODE,
                            commonCathode()));
        }

        private void signalDiodes() {
            List<Pin> diodes = pins.stream()
                    .filter(pin -> pin.label().matches("d|d[123]|diode"))
                    .toList();
            int many = pins.isEmpty() ? unlistedDiodes() : diodes.size();
            for (int i = 0; i < many; i++) {
                List<String> plate = i < diodes.size() ? List.of(diodes.get(i).name()) : List.of();
                String label = i < diodes.size() ? diodes.get(i).label() : "";
                List<String> own = at(("k(" + label + ")")::equals);
                add(
                        i == 0 ? "D" : "D" + (i + 1),
                        Section.DIODE,
                        Map.of(Electrode.PLATE, plate, Electrode.CATHODE, own.isEmpty() ? commonCathode() : own));
            }
        }

        /** Of a type whose base is not known: two as a rule, or what the European letters say (A one, B two). */
        private int unlistedDiodes() {
            String letters = type.name().replaceAll("[0-9].*", "");
            boolean withDiodes = type.use() == TubeUse.TRIODE_DIODE || type.use() == TubeUse.PENTODE_DIODE;
            if (!withDiodes && letters.length() < 3) {
                return 0;
            }
            if (letters.length() < 3) {
                return type.isDirectlyHeated() ? 1 : 2;
            }
            return letters.chars()
                    .skip(1)
                    .map(letter -> letter == 'A' ? 1 : letter == 'B' ? 2 : 0)
                    .sum();
        }

        private List<String> commonCathode() {
            List<String> cathode = at(l -> l.startsWith("k") && !l.matches("k[(]d.*|k[(]rect[)]"));
            return cathode.isEmpty()
                    ? at(l -> l.matches("h,k|f,k|f-.*|f")).stream().limit(1).toList()
                    : cathode;
        }

        private boolean hasAny() {
            return type.points().stream().anyMatch(point -> !point.kind().equals("heater"));
        }

        private boolean has(String kind) {
            return type.points().stream().anyMatch(point -> point.kind().equals(kind));
        }

        private boolean besideByUse() {
            return switch (type.use()) {
                case CONVERTER_TRIODE_HEXODE, CONVERTER_PENTAGRID, TRIODE_OUTPUT, MIXER, OTHER -> true;
                default -> false;
            };
        }

        private boolean usedAsTriode() {
            return switch (type.use()) {
                case TRIODE, TRIODE_DOUBLE, TRIODE_DIODE, TRIODE_OUTPUT, CONVERTER_TRIODE_HEXODE -> true;
                default -> false;
            };
        }

        private boolean usedAsPentode() {
            return switch (type.use()) {
                case TETRODE, PENTODE_REMOTE, PENTODE_SHARP, PENTODE_DIODE, OUTPUT, OUTPUT_DOUBLE, TRIODE_OUTPUT ->
                    true;
                default -> false;
            };
        }

        private boolean usedAsHeptode() {
            return switch (type.use()) {
                case CONVERTER_PENTAGRID, CONVERTER_TRIODE_HEXODE, MIXER -> true;
                default -> false;
            };
        }

        private List<String> at(Predicate<String> label) {
            return pins.stream()
                    .filter(pin -> label.test(pin.label()))
                    .map(Pin::name)
                    .toList();
        }

        private void add(String letter, Section section, Map<Electrode, List<String>> at) {
            found.add(new TubeSystem(letter, section, new EnumMap<>(at)));
        }
    }
}
