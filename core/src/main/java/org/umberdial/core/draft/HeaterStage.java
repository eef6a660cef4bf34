package org.umberdial.core.draft;

import static org.umberdial.core.draft.Board.GROUND;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.tube.Ballast;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.tube.TubeUse;

/** Heaters in a string in the usual order, or in parallel on windings, with lamp and dropper. */
final class HeaterStage {
    /** Currents of a string agree within this, or the tubes are of another string. */
    private static final double ALIKE = 0.06;
    /** A rest below this is taken up by the tubes themselves [V]. */
    private static final double NO_DROPPER = 8;

    private static final double LAMP_VOLTS = 6.3;
    private static final double LAMP_AMPERES = 0.15;

    /**
     * A heater winding.
     *
     * @param nodes its ends, with its centre in the middle where it has one
     * @param volts across the whole [V]
     * @param amperes it is loaded with [A]
     */
    record Winding(List<String> nodes, double volts, double amperes) {}

    private final Board board;
    private final Plan plan;
    private final Cast cast;
    private final List<Fitted> tubes;
    private final List<Winding> windings = new ArrayList<>();

    HeaterStage(Board board, Plan plan, Cast cast, List<Fitted> tubes) {
        this.board = board;
        this.plan = plan;
        this.cast = cast;
        this.tubes = tubes.stream()
                .filter(tube -> tube.volts().isPresent() && tube.amperes().isPresent() && !cast.ballasts.contains(tube))
                .sorted(Comparator.comparing(
                        tube -> tube.type().map(TubeType::name).orElse(tube.typed())))
                .toList();
    }

    /** Places the heaters; gives the windings they hang on. */
    List<Winding> place(OutputStages outputs) {
        board.begin(Stage.HEATERS);
        switch (plan.feed()) {
            case SERIES -> string();
            case BATTERY -> parallel("fil");
            case VIBRATOR -> parallel("accu");
            default -> onWindings(outputs);
        }
        return windings;
    }

    /** Whether a heater is part of a string, or fit for the line by itself. */
    static boolean isInString(Fitted tube, double line) {
        return tube.volts().orElse(0) < 0.85 * line;
    }

    /**
     * From the hot end: rectifier, output, IF, RF, converter, audio; what is most sensitive to hum last, at the minus
     * rail.
     */
    private void string() {
        tubes.stream()
                .filter(tube -> !isInString(tube, plan.lineVolts()))
                .forEach(tube -> board.heater(tube, List.of("line_sw", GROUND)));
        List<Fitted> string = tubes.stream()
                .filter(tube -> isInString(tube, plan.lineVolts()))
                .sorted(Comparator.comparingInt(this::place))
                .toList();
        if (string.isEmpty()) {
            return;
        }
        double amperes = string.stream()
                .mapToDouble(tube -> tube.amperes().orElse(0))
                .sorted()
                .toArray()[string.size() / 2];
        for (Fitted tube : string) {
            double own = tube.amperes().orElse(amperes);
            if (Math.abs(own / amperes - 1) > ALIKE) {
                board.say(tube.name() + " takes " + text(own) + " A in a string of " + text(amperes)
                        + " A; it cannot be in it as it stands. Check its number, or give it its shunt.");
            }
        }
        double sum = string.stream().mapToDouble(tube -> tube.volts().orElse(0)).sum();
        double rest = plan.lineVolts() - sum;
        if (sum > 1.09 * plan.lineVolts()) {
            board.say("The heaters add up to " + Math.round(sum) + " V on a line of " + Math.round(plan.lineVolts())
                    + " V. A tube is too many, or the line is another.");
        }
        // The rectifier's plate is fed at its heater's tap: nothing that drops may stand before it.
        boolean fedAtTap = isTapped(string.get(0));
        // Filaments of a portable for battery and line hang behind the rectifier.
        boolean filaments = string.stream().allMatch(Fitted::isFilament);
        if (filaments) {
            rest = 1.05 * plan.lineVolts() - sum;
            board.say("The filaments are in a string behind the rectifier; what each stands above the minus rail is not"
                    + " drafted.");
        }
        String source = filaments ? Board.RESERVOIR : "line_sw";
        String at = source;
        Optional<Ballast> ballast =
                cast.ballasts.stream().flatMap(t -> LineUp.ballast(t).stream()).findFirst();
        boolean drops = ballast.isPresent() || rest > NO_DROPPER;
        String dropped = fedAtTap ? "string_hot" : source;
        if (ballast.isPresent()) {
            Fitted tube = cast.ballasts.get(0);
            board.card(
                    "XR" + tube.socket().substring(1),
                    List.of(dropped, "string"),
                    Optional.empty(),
                    tube.typed(),
                    0,
                    Map.of(),
                    "resistor",
                    "ballast tube " + tube.socket());
        } else if (drops) {
            board.wirewound(dropped, "string", rest / amperes, "heater dropper");
            board.say("The heaters add up to " + Math.round(sum) + " V; a dropper or resistance cord of "
                    + Math.round(Board.usual(rest / amperes)) + " Ω takes the other " + Math.round(rest) + " V.");
        }
        if (drops && !fedAtTap) {
            at = "string";
        }
        for (int i = 0; i < string.size(); i++) {
            Fitted tube = string.get(i);
            String next = i == string.size() - 1
                    ? GROUND
                    : "h" + tube.socket().substring(1)
                            + string.get(i + 1).socket().substring(1);
            boolean tapped = isTapped(tube);
            if (i == 0 && fedAtTap && drops) {
                next = "string_hot";
            }
            board.heater(tube, tapped ? List.of(at, "lamp_tap", next) : List.of(at, next));
            if (tapped) {
                board.card(
                        "XLP1",
                        List.of(at, "lamp_tap"),
                        Optional.empty(),
                        "LAMP",
                        0,
                        lamp(LAMP_AMPERES),
                        "lamp",
                        "dial lamp");
            }
            at = i == 0 && fedAtTap && drops ? "string" : next;
        }
    }

    private static boolean isTapped(Fitted tube) {
        return tube.type()
                .filter(t -> t.use().rectifies() && t.heaterTap().isPresent())
                .isPresent();
    }

    private static Map<String, Double> lamp(double amperes) {
        Map<String, Double> lamp = new LinkedHashMap<>();
        lamp.put("V", LAMP_VOLTS);
        lamp.put("A", amperes);
        return lamp;
    }

    private int place(Fitted tube) {
        if (cast.rectifiers.contains(tube)) {
            return 0;
        }
        if (cast.outputs.stream().anyMatch(unit -> unit.tube().equals(tube))) {
            return 1;
        }
        if (cast.ifs.stream().anyMatch(unit -> unit.tube().equals(tube))) {
            return 2;
        }
        if (cast.rf.stream().anyMatch(unit -> unit.tube().equals(tube))) {
            return 3;
        }
        if (cast.converter.filter(unit -> unit.tube().equals(tube)).isPresent()) {
            return 4;
        }
        return cast.firstAudio.filter(unit -> unit.tube().equals(tube)).isPresent() ? 6 : 5;
    }

    /** Filaments of a battery set and heaters of a car set; a filament of two halves is fed in its middle. */
    private void parallel(String plus) {
        for (Fitted tube : tubes) {
            boolean tapped = tube.type()
                    .flatMap(t -> t.heaterTap().stream().boxed().findFirst())
                    .isPresent();
            boolean halves = tapped && tube.volts().orElse(0) > 1.5 * plan.lineVolts();
            if (!halves && Math.abs(tube.volts().orElse(0) / plan.lineVolts() - 1) > 0.3) {
                board.say(tube.name() + " wants " + text(tube.volts().orElse(0)) + " V on a supply of "
                        + text(plan.lineVolts()) + " V; its number or the supply is another.");
            }
            board.heater(tube, halves ? List.of(plus, GROUND, plus) : List.of(plus, GROUND));
        }
    }

    /** One winding for each heater voltage; filaments of rectifiers and output tubes have their own. */
    private void onWindings(OutputStages outputs) {
        Map<Double, List<Fitted>> byVolts = new LinkedHashMap<>();
        for (Fitted tube : tubes) {
            Optional<TubeType> type = tube.type();
            boolean rectifies =
                    type.map(TubeType::use).filter(TubeUse::rectifies).isPresent();
            if (tube.isFilament() && rectifies) {
                boolean first = windings.stream().noneMatch(w -> w.nodes().contains(Board.RESERVOIR));
                if (first) {
                    windings.add(new Winding(
                            List.of(Board.RESERVOIR, "rectifier_fil"),
                            tube.volts().orElse(5),
                            tube.amperes().orElse(2)));
                }
                board.heater(tube, List.of(Board.RESERVOIR, "rectifier_fil"));
            } else if (tube.isFilament() && isOutput(tube)) {
                filamentOutput(tube, outputs);
            } else {
                double volts = tube.volts().orElse(6.3);
                boolean halves = type.flatMap(
                                        t -> t.heaterTap().stream().boxed().findFirst())
                                .isPresent()
                        && volts > 12
                        && tubes.stream()
                                .anyMatch(other -> Math.abs(other.volts().orElse(0) - volts / 2) < 0.2);
                byVolts.computeIfAbsent(rounded(halves ? volts / 2 : volts), v -> new ArrayList<>())
                        .add(tube);
            }
        }
        boolean first = true;
        for (Map.Entry<Double, List<Fitted>> group : byVolts.entrySet().stream()
                .sorted(Comparator.comparingInt(e -> -e.getValue().size()))
                .toList()) {
            String node = first ? "heaters" : "heaters_" + text(group.getKey()).replace('.', '_');
            double amperes = 0;
            for (Fitted tube : group.getValue()) {
                boolean halves = tube.volts().orElse(6.3) > 1.5 * group.getKey();
                board.heater(tube, halves ? List.of(node, GROUND, node) : List.of(node, GROUND));
                amperes += tube.amperes().orElse(0.3) * (halves ? 2 : 1);
            }
            if (first && group.getKey() > 5 && group.getKey() < 7) {
                board.card("XLP1", List.of(node, GROUND), Optional.empty(), "LAMP", 0, lamp(0.3), "lamp", "dial lamp");
                amperes += 0.3;
            }
            if (plan.feed() == Feed.AUTOTRANSFORMER && group.getKey() > 12.6) {
                board.say(group.getValue().get(0).name() + " has a heater of " + text(group.getKey())
                        + " V; it is drafted on a winding of its own.");
            }
            windings.add(new Winding(List.of(node, GROUND), group.getKey(), amperes));
            first = false;
        }
    }

    private void filamentOutput(Fitted tube, OutputStages outputs) {
        String socket = tube.socket().toLowerCase(Locale.ROOT);
        String cathode = cast.outputs.stream()
                .filter(unit -> unit.tube().equals(tube))
                .findFirst()
                .map(outputs::cathodeOf)
                .orElse(GROUND);
        Optional<Winding> shared = windings.stream()
                .filter(w -> w.nodes().size() == 3 && w.nodes().get(1).equals(cathode))
                .findFirst();
        if (shared.isPresent()) {
            Winding w = shared.get();
            windings.remove(w);
            windings.add(new Winding(
                    w.nodes(), w.volts(), w.amperes() + tube.amperes().orElse(1)));
            board.heater(tube, List.of(w.nodes().get(0), w.nodes().get(2)));
            return;
        }
        List<String> nodes = List.of(socket + "_fil_a", cathode, socket + "_fil_b");
        windings.add(new Winding(nodes, tube.volts().orElse(2.5), tube.amperes().orElse(1.5)));
        board.heater(tube, List.of(nodes.get(0), nodes.get(2)));
    }

    private boolean isOutput(Fitted tube) {
        return cast.outputs.stream().anyMatch(unit -> unit.tube().equals(tube));
    }

    private static double rounded(double volts) {
        return Math.round(volts * 10) / 10.0;
    }

    private static String text(double value) {
        return java.math.BigDecimal.valueOf(Board.round(value, 3))
                .stripTrailingZeros()
                .toPlainString();
    }
}
