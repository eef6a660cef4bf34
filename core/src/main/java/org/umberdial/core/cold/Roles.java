package org.umberdial.core.cold;

import java.util.EnumMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;

/**
 * Which part of a set has which role, from how it is joined, its kind and what it is called. A part may have several.
 */
public final class Roles {
    /** The line cord, which no circuit draws. */
    public static final String CORD = BenchSet.CORD;
    /** The line fuse of a set whose circuit draws none. */
    public static final String FUSE = BenchSet.FUSE;

    private static final double LARGE_FARADS = 1e-6;
    private static final double RAIL_RATING = 100;

    private final BenchSet set;
    private final LineChain chain;
    private final Map<Role, Set<String>> parts = new EnumMap<>(Role.class);
    private final Set<String> plates;
    private final Set<String> grids;
    private final Set<String> rails;

    private Roles(BenchSet set, LineChain chain) {
        this.set = set;
        this.chain = chain;
        plates = set.parts().stream()
                .filter(this::amplifies)
                .map(p -> p.nodes().get(0))
                .collect(Collectors.toSet());
        grids = set.parts().stream()
                .filter(this::amplifies)
                .flatMap(p -> p
                        .nodes()
                        .subList(p.nodes().size() == 3 ? 1 : 2, p.nodes().size() - 1)
                        .stream())
                .collect(Collectors.toSet());
        rails = rectifierOutputs();
        if (set.construction().lineFed()) {
            add(Role.LINE_CORD, CORD);
            if (set.parts().stream().noneMatch(p -> p.card().kind().equals("fuse"))) {
                add(Role.LINE_FUSE, FUSE);
            }
        }
        set.parts().forEach(this::sort);
        if (set.parts().isEmpty()) {
            byClass(set.construction());
        }
    }

    /** Without a circuit, what every set of its class has, under the name people call it. */
    private void byClass(ConstructionClass construction) {
        if (construction.lineFed()) {
            add(Role.LINE_SWITCH, "line switch");
        }
        if (construction.transformer()) {
            add(Role.POWER_TRANSFORMER, "power transformer");
        } else if (construction == ConstructionClass.AUTOTRANSFORMER) {
            add(Role.POWER_TRANSFORMER, "autotransformer");
        } else if (construction.lineFed()) {
            add(Role.STRING_HEATER, "heater string");
            add(Role.LINE_CAPACITOR, "line capacitor");
        }
        add(Role.HEATER, construction.transformer() ? "heaters" : "heater string");
        add(Role.FILTER_CAPACITOR, "filter capacitors");
        add(Role.OUTPUT_TRANSFORMER, "output transformer");
        add(Role.VOICE_COIL, "speaker");
        if (construction.player()) {
            add(Role.MOTOR, "motor");
        }
    }

    /** @param chain the set's line chain */
    public static Roles of(BenchSet set, LineChain chain) {
        return new Roles(set, chain);
    }

    /** References of the parts with a role, in the set's order. */
    public List<String> of(Role role) {
        return List.copyOf(parts.getOrDefault(role, Set.of()));
    }

    /** A part's roles. */
    public List<Role> rolesOf(String reference) {
        return parts.entrySet().stream()
                .filter(e -> e.getValue().contains(reference))
                .map(Map.Entry::getKey)
                .toList();
    }

    private void add(Role role, String reference) {
        parts.computeIfAbsent(role, r -> new LinkedHashSet<>()).add(reference);
    }

    private boolean amplifies(Part part) {
        return part.card().kind().equals("tube") && part.nodes().size() >= 3 && !set.isRectifier(part);
    }

    private Set<String> rectifierOutputs() {
        Set<String> outputs = new LinkedHashSet<>();
        for (Part part : set.parts()) {
            String kind = part.card().kind();
            boolean tube = set.isRectifier(part);
            if (tube
                    || (kind.equals("silicon") || kind.equals("selenium"))
                            && part.card().letter() != 'C') {
                outputs.add(part.nodes().get(part.nodes().size() - 1));
                if (kind.equals("tube")) {
                    add(Role.TUBE, part.reference());
                } else {
                    add(kind.equals("selenium") ? Role.RECTIFIER_SELENIUM : Role.RECTIFIER_DIODE, part.reference());
                }
            }
        }
        return outputs;
    }

    private void sort(Part part) {
        String kind = part.card().kind();
        String said = part.description().toLowerCase(Locale.ROOT);
        switch (part.card().letter()) {
            case 'R' -> resistor(part, kind, said);
            case 'C' -> capacitor(part, kind);
            case 'L' -> coil(part, said);
            case 'X' -> tubeOrTransformer(part, kind);
            default -> {}
        }
    }

    private void resistor(Part part, String kind, String said) {
        String ref = part.reference();
        boolean inLine = chain.parts().contains(ref);
        if (kind.equals("switch")) {
            add(inLine ? Role.LINE_SWITCH : Role.SWITCH_CONTACT, ref);
        } else if (kind.equals("fuse")) {
            add(Role.LINE_FUSE, ref);
        } else if (kind.equals("pot")) {
            add(Role.CONTROL, ref);
        } else if (kind.equals("winding")) {
            add(Role.VOICE_COIL, ref);
        } else if (inLine || said.contains("dropper") && said.contains("heater")) {
            add(Role.HEATER_DROPPER, ref);
        } else if (said.contains("surge")) {
            add(Role.SURGE_RESISTOR, ref);
        } else if (part.nodes().stream().anyMatch(rails::contains)
                && !part.nodes().contains("0")) {
            add(Role.FILTER_PART, ref);
        } else {
            add(Role.RESISTOR, ref);
        }
    }

    private void capacitor(Part part, String kind) {
        String ref = part.reference();
        boolean large = part.workingValue().orElse(0.0) >= LARGE_FARADS;
        boolean cathode = part.ratingVolts().orElse(RAIL_RATING) < RAIL_RATING;
        boolean stable = kind.equals("mica") || kind.equals("ceramic") || kind.equals("air");
        if (part.nodes().stream().allMatch(n -> chain.nodes().contains(n))
                || part.nodes().contains("chassis")
                || part.description().toLowerCase(Locale.ROOT).contains("line")) {
            add(Role.LINE_CAPACITOR, ref);
        } else if (large && !cathode) {
            add(Role.FILTER_CAPACITOR, ref);
        } else if (large) {
            add(Role.CATHODE_BYPASS, ref);
        } else if (!stable && isCoupling(part)) {
            add(Role.COUPLING_CAPACITOR, ref);
        } else if (!stable) {
            add(Role.OTHER_CAPACITOR, ref);
        }
    }

    /** From a plate to a grid, or to what a stopper joins to one. */
    private boolean isCoupling(Part part) {
        String a = part.nodes().get(0);
        String b = part.nodes().get(1);
        return plates.contains(a) && leadsToGrid(b) || plates.contains(b) && leadsToGrid(a);
    }

    private boolean leadsToGrid(String node) {
        return !node.equals("0")
                && (grids.contains(node)
                        || set.parts().stream()
                                .anyMatch(p -> p.card().letter() == 'R'
                                        && p.nodes().contains(node)
                                        && p.nodes().stream().anyMatch(grids::contains)));
    }

    private void coil(Part part, String said) {
        if (said.contains("field")) {
            add(Role.FIELD_COIL, part.reference());
        } else if (said.contains("motor")) {
            add(Role.MOTOR, part.reference());
        } else if (part.nodes().stream().anyMatch(rails::contains)) {
            add(Role.FILTER_PART, part.reference());
        } else {
            add(Role.COIL, part.reference());
        }
    }

    private void tubeOrTransformer(Part part, String kind) {
        switch (kind) {
            case "heater" -> {
                String tube = set.tubeOf(part.reference());
                add(Role.HEATER, tube);
                if (chain.parts().contains(part.reference())) {
                    add(Role.STRING_HEATER, tube);
                }
            }
            case "tube" -> add(Role.TUBE, set.tubeOf(part.reference()));
            case "lamp" -> add(Role.LAMP, part.reference());
            case "transformer" ->
                add(
                        Transformer.in(set).stream()
                                        .anyMatch(t -> t.power() && t.part().equals(part))
                                ? Role.POWER_TRANSFORMER
                                : Role.OUTPUT_TRANSFORMER,
                        part.reference());
            default -> {}
        }
    }
}
