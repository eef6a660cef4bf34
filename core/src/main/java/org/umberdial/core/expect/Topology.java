package org.umberdial.core.expect;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.tube.Electrode;

/** How the nodes of a set hang together on DC in a mode: what the supply feeds, what leads to a grid. */
public final class Topology {
    private final DcPaths paths;
    private final Set<String> supplyFed;

    public Topology(BenchSet set, String mode) {
        this.paths = new DcPaths(set, mode);
        this.supplyFed = supplyFed();
    }

    public DcPaths paths() {
        return paths;
    }

    public boolean isSupplyFed(String node) {
        return supplyFed.contains(node);
    }

    /** What conducts DC at a node. */
    public List<DcPaths.Path> pathsAt(String node) {
        return paths.paths.stream()
                .filter(path -> path.a().equals(node) || path.b().equals(node))
                .toList();
    }

    /** Nodes whose voltage comes from the supply: joined by DC paths to a rectifier or to a tube's current. */
    private Set<String> supplyFed() {
        Set<String> fed = new HashSet<>();
        paths.rectifiers.forEach(rectifier -> fed.addAll(List.of(rectifier.anode(), rectifier.cathode())));
        paths.cells.forEach(cell -> fed.addAll(cell.nodes()));
        paths.stages.forEach(stage -> stage.nodes().forEach((electrode, node) -> {
            if (electrode.carriesStageCurrent()) {
                fed.add(node);
            }
        }));
        fed.remove("0");
        Deque<String> open = new ArrayDeque<>(fed);
        while (!open.isEmpty()) {
            String node = open.pop();
            for (DcPaths.Path path : pathsAt(node)) {
                String next = path.other(node);
                if (!next.equals("0") && fed.add(next)) {
                    open.push(next);
                }
            }
        }
        return fed;
    }

    /**
     * The control or signal grid that a node leads to over resistors alone, without meeting the supply or the
     * reference.
     */
    public Optional<DcPaths.Stage> gridReachedFrom(String start) {
        for (String node : island(start)) {
            for (DcPaths.Stage stage : paths.stages) {
                if (stage.electrodeAt(node).filter(Electrode::isGrid).isPresent()) {
                    return Optional.of(stage);
                }
            }
        }
        return Optional.empty();
    }

    /** A node and all it is joined to over resistors, stopping at the reference and at whatever the supply feeds. */
    public List<String> island(String start) {
        List<String> island = new ArrayList<>(List.of(start));
        for (int i = 0; i < island.size(); i++) {
            for (DcPaths.Path path : pathsAt(island.get(i))) {
                String next = path.other(island.get(i));
                if (!next.equals("0") && !isSupplyFed(next) && !island.contains(next)) {
                    island.add(next);
                }
            }
        }
        return island;
    }
}
