package org.umberdial.core.entry;

import static org.umberdial.core.value.InvalidEntry.Code.SYNTAX;
import static org.umberdial.core.value.InvalidEntry.Code.UNKNOWN;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.Section;
import org.umberdial.core.value.InvalidEntry;

/** What a part is joined to, as people write it: {@code V3.plate}, {@code V3.5}, {@code chassis}, {@code B1}. */
final class Ends {
    private static final Pattern NODE = Pattern.compile("[a-z0-9_+]+");
    private static final Map<String, String> ELECTRODES = Map.ofEntries(
            Map.entry("p", "plate"),
            Map.entry("a", "plate"),
            Map.entry("anode", "plate"),
            Map.entry("g", "grid"),
            Map.entry("g1", "grid"),
            Map.entry("g2", "screen"),
            Map.entry("k", "cathode"),
            Map.entry("heater", "h1"),
            Map.entry("d", "diode"),
            Map.entry("d1", "diode"),
            Map.entry("d2", "diode2"),
            Map.entry("d3", "diode3"),
            Map.entry("f1", "h1"),
            Map.entry("f2", "h2"),
            Map.entry("osc", "grid"));

    private final BenchSet set;

    Ends(BenchSet set) {
        this.set = set;
    }

    /** The electrode people mean by a name or letter; the name itself when it means none. */
    static String electrode(String name) {
        return ELECTRODES.getOrDefault(name, name);
    }

    /** A node: an electrode or pin of a tube, the chassis or minus rail, a test point, or a node's own name. */
    String node(String end) {
        String text = end.strip().toLowerCase(Locale.ROOT);
        if (set.construction().liveChassis() && Set.of("gnd", "ground", "earth").contains(text)) {
            throw new InvalidEntry(
                    UNKNOWN,
                    "Earth is not the minus rail of a set whose chassis can be live. Write “minus” for the rail,"
                            + " “chassis” for the metal.");
        }
        if (Set.of("0", "gnd", "ground", "earth", "chassis", "minus").contains(text)
                && !(text.equals("chassis") && set.construction().liveChassis())) {
            return "0";
        }
        int dot = text.indexOf('.');
        if (dot > 0) {
            return electrode(text.substring(0, dot).toUpperCase(Locale.ROOT), text.substring(dot + 1), end);
        }
        String node = text.replace("b+", "b1");
        if (!NODE.matcher(node).matches()) {
            throw new InvalidEntry(
                    SYNTAX,
                    "“" + end
                            + "” is no place to connect to; write V3.plate, V3.5, 0 for the chassis, or a "
                            + "name such as B1.");
        }
        return set.testPoints().stream()
                .filter(point -> point.name().equalsIgnoreCase(end))
                .map(org.umberdial.core.set.TestPoint::node)
                .findFirst()
                .orElse(node);
    }

    private String electrode(String socket, String name, String typed) {
        Optional<Deck.SocketPins> pins = set.sockets().stream()
                .filter(s -> s.socket().equalsIgnoreCase(socket))
                .findFirst();
        if (name.matches("[0-9]{1,2}|cap")) {
            return pins.map(p -> p.pins().get(name))
                    .orElseThrow(() -> new InvalidEntry(
                            UNKNOWN,
                            "Nothing is known of pin " + name + " of " + socket
                                    + "; enter the tube first, or name the electrode, as in " + socket + ".plate."));
        }
        String electrode = electrode(name);
        // V2.t_plate is the plate of V2T.
        if (electrode.matches("[abtr]_[a-z0-9_]+")) {
            return electrode(socket + electrode.charAt(0), electrode.substring(2), typed);
        }
        return fromCards(socket, electrode).orElseGet(() -> {
            if (!electrode.matches("[a-z0-9_]+")) {
                throw new InvalidEntry(
                        SYNTAX,
                        "“" + typed
                                + "” is no place to connect to; write V3.plate, V3.grid, V3.cathode, "
                                + "V3.screen or a pin such as V3.5.");
            }
            return socket.toLowerCase(Locale.ROOT) + "_" + electrode;
        });
    }

    /** Where a tube that is entered already has this electrode. */
    private Optional<String> fromCards(String socket, String electrode) {
        for (Part part : set.parts()) {
            Card card = part.card();
            if (card.letter() == 'X'
                    && card.reference()
                            .substring(1)
                            .toUpperCase(Locale.ROOT)
                            .matches(Pattern.quote(socket) + "(?:[A-Z][0-9]?)?")) {
                List<String> names = set
                        .tubes()
                        .data()
                        .section(card.model(), card.nodes().size())
                        .map(Section::electrodes)
                        .orElse(List.of())
                        .stream()
                        .map(e -> switch (e) {
                            case GRID3 -> "signal";
                            case HEATER1 -> "h1";
                            case HEATER2 -> "h2";
                            default -> e.name().toLowerCase(Locale.ROOT);
                        })
                        .toList();
                String ending = card.reference().replaceFirst("^.*[0-9](?=D)", "");
                boolean diode = ending.startsWith("D") && electrode.equals("diode" + ending.substring(1));
                int at = diode ? 0 : names.indexOf(electrode);
                if (at >= 0) {
                    return Optional.of(card.nodes().get(at));
                }
            }
        }
        return Optional.empty();
    }
}
