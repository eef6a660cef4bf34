package org.umberdial.core.expect;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;

/** What of a set's circuit conducts DC in a mode, sorted by what it is. */
public final class DcPaths {
    /** A winding whose resistance nobody entered; small against any resistor that sets a voltage. */
    private static final double UNKNOWN_WINDING_OHMS = 10;

    /** The line and its wiring, seen as a DC path. */
    private static final double LINE_OHMS = 0.5;

    /** A resistor, winding or closed contact between two nodes. */
    public record Path(Part part, String a, String b, double ohms) {
        /** Drift of a resistor is the commonest fault; a winding's resistance does not drift. */
        public boolean isResistor() {
            return part.card().letter() == 'R' && !part.card().kind().equals("switch");
        }

        public String other(String node) {
            return a.equals(node) ? b : a;
        }
    }

    /** A capacitor: no path while it is good. */
    public record Block(Part part, String a, String b) {
        public String other(String node) {
            return a.equals(node) ? b : a;
        }

        public boolean touches(String node) {
            return a.equals(node) || b.equals(node);
        }
    }

    /** An amplifying section at its nodes. */
    public record Stage(Part part, Section section, Map<Electrode, String> nodes, String socket) {
        public Optional<String> node(Electrode electrode) {
            return Optional.ofNullable(nodes.get(electrode));
        }

        public Optional<Electrode> electrodeAt(String node) {
            return nodes.entrySet().stream()
                    .filter(entry -> entry.getValue().equals(node))
                    .map(Map.Entry::getKey)
                    .findFirst();
        }
    }

    /** A rectifier that feeds a rail. */
    public record Rectifier(Part part, String anode, String cathode) {}

    public final List<Path> paths = new ArrayList<>();
    public final List<Block> blocks = new ArrayList<>();
    public final List<Stage> stages = new ArrayList<>();
    public final List<Rectifier> rectifiers = new ArrayList<>();
    public final List<Part> cells = new ArrayList<>();

    public DcPaths(BenchSet set, String mode) {
        for (Part part : set.parts()) {
            switch (part.card().letter()) {
                case 'R' -> addResistor(part, mode);
                case 'L' -> paths.add(path(part, keyNumber(part, "rser").orElse(UNKNOWN_WINDING_OHMS)));
                case 'C' ->
                    blocks.add(new Block(part, part.nodes().get(0), part.nodes().get(1)));
                case 'V' -> addSource(part);
                case 'D' -> addDiode(part);
                case 'X' -> addSubcircuit(set, part);
                default -> {}
            }
        }
    }

    private void addResistor(Part part, String mode) {
        Optional<String> closed = part.card().key("closed");
        boolean open = closed.isPresent()
                && !mode.isEmpty()
                && Arrays.stream(closed.get().split(",")).noneMatch(mode::equalsIgnoreCase);
        if (!open) {
            part.sheetValue().filter(ohms -> ohms > 0).ifPresent(ohms -> paths.add(path(part, ohms)));
        }
    }

    private void addSource(Part part) {
        if (part.card().hertz() > 0) {
            paths.add(path(part, LINE_OHMS));
        } else {
            cells.add(part);
        }
    }

    private void addDiode(Part part) {
        if (!part.card().kind().equals("germanium")) {
            rectifiers.add(new Rectifier(part, part.nodes().get(0), part.nodes().get(1)));
        }
    }

    private void addSubcircuit(BenchSet set, Part part) {
        Card card = part.card();
        if (card.kind().equals("transformer")) {
            addWindings(part);
        } else if (card.kind().equals("selenium")) {
            rectifiers.add(new Rectifier(part, part.nodes().get(0), part.nodes().get(1)));
        } else if (!card.kind().equals("lamp")) {
            set.tubes()
                    .data()
                    .section(card.model(), card.nodes().size())
                    .ifPresent(section -> addTube(set, part, section));
        }
    }

    private void addWindings(Part part) {
        List<String> nodes = part.nodes();
        for (int winding = 0; winding + 1 < nodes.size(); winding += 2) {
            String name = winding == 0 ? "RP" : "R" + winding / 2;
            paths.add(new Path(
                    part,
                    nodes.get(winding),
                    nodes.get(winding + 1),
                    positive(part.card().parameters().get(name), UNKNOWN_WINDING_OHMS)));
        }
    }

    private void addTube(BenchSet set, Part part, Section section) {
        Map<Electrode, String> nodes = new java.util.EnumMap<>(Electrode.class);
        for (int i = 0; i < part.nodes().size(); i++) {
            nodes.put(section.electrodes().get(i), part.nodes().get(i));
        }
        if (section.amplifies()) {
            stages.add(new Stage(part, section, nodes, socketOf(set, part)));
        } else if ((section == Section.DIODE || section == Section.FULL_WAVE)
                && set.tubes().data().isRectifier(part.card().model())) {
            for (Electrode plate : List.of(Electrode.PLATE, Electrode.PLATE2)) {
                if (nodes.containsKey(plate)) {
                    rectifiers.add(new Rectifier(part, nodes.get(plate), nodes.get(Electrode.CATHODE)));
                }
            }
        }
    }

    /**
     * The socket a section sits in: the longest socket name its reference contains, {@code XV1A} sits in {@code V1}.
     */
    public static String socketOf(BenchSet set, Part part) {
        String name = part.reference().substring(1);
        return set.sockets().stream()
                .map(pins -> pins.socket())
                .filter(name::startsWith)
                .max(java.util.Comparator.comparingInt(String::length))
                .orElse(name.replaceAll("(?<=[0-9])[A-Z].*$", ""));
    }

    private static Path path(Part part, double ohms) {
        return new Path(part, part.nodes().get(0), part.nodes().get(1), ohms);
    }

    private static Optional<Double> keyNumber(Part part, String key) {
        try {
            return part.card().key(key).map(Double::parseDouble).filter(value -> value > 0);
        } catch (NumberFormatException notANumber) {
            return Optional.empty();
        }
    }

    private static double positive(Double value, double otherwise) {
        return value != null && value > 0 ? value : otherwise;
    }
}
