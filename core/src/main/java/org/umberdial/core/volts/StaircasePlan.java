package org.umberdial.core.volts;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.expect.DcPaths;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.tube.Electrode;

/** Orders a set's points into a staircase, from the topology alone. */
final class StaircasePlan {
    /** Nodes of this size are drawn magnified: a volt matters there and would not be seen on the supply's scale. */
    private static final double NEAR_VOLTS = 20;

    private record Step(String node, List<String> parts) {}

    private final StageModel model;
    private final Set<String> pointNodes = new HashSet<>();
    private final Map<String, Staircase.Riser> riserTo = new LinkedHashMap<>();

    StaircasePlan(StageModel model) {
        this.model = model;
        model.set().testPoints().forEach(point -> pointNodes.add(point.node()));
        supplyRisers();
        tubeRisers();
        blockedRisers();
    }

    /** The nearest point upstream that feeds this one over conducting parts. */
    Optional<String> feederOf(String node) {
        return Optional.ofNullable(riserTo.get(node))
                .filter(riser -> riser.kind() == Staircase.Riser.Kind.CONDUCTS)
                .map(Staircase.Riser::from);
    }

    /** Whether {@code upper} lies on the way from the supply to {@code node}. */
    boolean feeds(String upper, String node) {
        Set<String> seen = new HashSet<>();
        for (Optional<String> at = feederOf(node); at.isPresent() && seen.add(at.get()); at = feederOf(at.get())) {
            if (at.get().equals(upper)) {
                return true;
            }
        }
        return false;
    }

    Staircase staircase(double lineVolts) {
        List<Staircase.Tread> treads = new ArrayList<>();
        for (TestPoint point : model.set().testPoints()) {
            if (model.set().usualKind(point.node()) == org.umberdial.core.reading.ReadingKind.AC) {
                continue; // The stair shows the DC supply; AC points stand in the list.
            }
            double healthy =
                    Math.abs(model.healthyVolts(point.node(), lineVolts).orElse(0));
            treads.add(new Staircase.Tread(point.node(), depth(point.node()), healthy < NEAR_VOLTS));
        }
        treads.sort(Comparator.comparingInt(Staircase.Tread::depth));
        return new Staircase(List.copyOf(treads), List.copyOf(riserTo.values()));
    }

    private int depth(String node) {
        int depth = 0;
        Set<String> seen = new HashSet<>(Set.of(node));
        for (Staircase.Riser riser = riserTo.get(node);
                riser != null && seen.add(riser.from());
                riser = riserTo.get(riser.from())) {
            depth++;
        }
        return depth;
    }

    /** Breadth first from the rectifiers' output, each point hanging from the nearest point before it. */
    private void supplyRisers() {
        Set<String> reached = new HashSet<>(Set.of("0"));
        Deque<Step> open = new ArrayDeque<>();
        for (DcPaths.Rectifier rectifier : model.paths().rectifiers) {
            if (reached.add(rectifier.cathode())) {
                open.add(new Step(rectifier.cathode(), List.of()));
            }
            reached.add(rectifier.anode());
        }
        model.paths()
                .cells
                .forEach(cell -> cell.nodes().stream()
                        .filter(reached::add)
                        .forEach(node -> open.add(new Step(node, List.of()))));
        Map<String, String> lastPoint = new HashMap<>();
        while (!open.isEmpty()) {
            Step step = open.poll();
            boolean isPoint = pointNodes.contains(step.node);
            if (isPoint && lastPoint.containsKey(step.node)) {
                riserTo.put(
                        step.node,
                        new Staircase.Riser(
                                lastPoint.get(step.node), step.node, Staircase.Riser.Kind.CONDUCTS, step.parts));
            }
            for (DcPaths.Path path : model.pathsAt(step.node)) {
                String next = path.other(step.node);
                if (reached.add(next)) {
                    List<String> parts = new ArrayList<>(isPoint ? List.of() : step.parts);
                    parts.add(path.part().reference());
                    String above = isPoint ? step.node : lastPoint.get(step.node);
                    if (above != null) {
                        lastPoint.put(next, above);
                    }
                    open.add(new Step(next, List.copyOf(parts)));
                }
            }
        }
    }

    /** Cathodes hang from their own plate, through the tube. */
    private void tubeRisers() {
        for (DcPaths.Stage stage : model.paths().stages) {
            String plate = stage.nodes().get(Electrode.PLATE);
            String cathode = stage.nodes().get(Electrode.CATHODE);
            if (pointNodes.contains(plate) && pointNodes.contains(cathode) && !riserTo.containsKey(cathode)) {
                riserTo.put(
                        cathode,
                        new Staircase.Riser(
                                plate,
                                cathode,
                                Staircase.Riser.Kind.TUBE,
                                List.of(stage.part().reference())));
            }
        }
    }

    /** Points that only a capacitor joins to a higher one: nothing may come through. */
    private void blockedRisers() {
        for (String node : pointNodes) {
            if (!riserTo.containsKey(node) && !model.isSupplyFed(node)) {
                for (String inner : model.island(node)) {
                    for (DcPaths.Block block : model.paths().blocks) {
                        String other = block.touches(inner) ? block.other(inner) : "0";
                        if (pointNodes.contains(other) && model.isSupplyFed(other)) {
                            riserTo.putIfAbsent(
                                    node,
                                    new Staircase.Riser(
                                            other,
                                            node,
                                            Staircase.Riser.Kind.BLOCKS,
                                            List.of(block.part().reference())));
                        }
                    }
                }
            }
        }
    }
}
