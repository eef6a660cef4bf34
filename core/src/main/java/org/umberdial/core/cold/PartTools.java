package org.umberdial.core.cold;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;

/** What people call the parts of a set, what they read by themselves, and which of them are read as one. */
final class PartTools {
    private PartTools() {}

    /** What people call a part: {@code V4} for the card {@code XV4}. */
    static String called(ColdScene scene, String reference) {
        return scene.set()
                .part(reference)
                .filter(p -> p.card().kind().equals("tube"))
                .map(p -> reference.replaceFirst("(?i)^X", "").replaceAll("(?<=[0-9])[A-Z]$", ""))
                .orElse(reference);
    }

    static String name(ColdScene scene, String reference) {
        return scene.set()
                .part(reference)
                .map(p -> {
                    String said = p.card().kind().equals("tube")
                            ? TubeData.bare(p.card().model())
                            : p.description();
                    String shown = called(scene, reference);
                    List<Part> track = track(scene, reference);
                    return track.size() > 1
                            ? String.join(
                                            " and ",
                                            track.stream().map(Part::reference).toList()) + ", " + called(p)
                            : said.isEmpty() ? shown : shown + ", " + said;
                })
                .orElse(
                        reference.equals(Roles.CORD)
                                ? "Line cord"
                                : reference.equals(Roles.FUSE)
                                        ? "Line fuse"
                                        : Character.toUpperCase(reference.charAt(0)) + reference.substring(1));
    }

    static List<String> subjects(ColdScene scene, TestRow row) {
        return row.proves().stream()
                .flatMap(a -> scene.roles().of(a.role()).stream())
                .distinct()
                .toList();
    }

    /** Expected cold resistance of a part by itself [Ω]; empty when it is not known. */
    static OptionalDouble own(ColdScene scene, String reference) {
        Optional<Part> part = scene.set().part(reference);
        if (part.isEmpty()) {
            return OptionalDouble.empty();
        }
        Part p = part.get();
        if (p.card().letter() == 'L') {
            return p.card()
                    .key("rser")
                    .map(t -> OptionalDouble.of(Double.parseDouble(t)))
                    .orElse(OptionalDouble.empty());
        }
        if (p.card().kind().equals("lamp")) {
            return OptionalDouble.of(p.card().parameters().getOrDefault("V", 6.3)
                    / p.card().parameters().getOrDefault("A", 0.15)
                    / 13);
        }
        List<Part> track = track(scene, reference);
        return p.card().letter() == 'R'
                        && track.stream().allMatch(t -> t.workingValue().isPresent())
                ? OptionalDouble.of(
                        track.stream().mapToDouble(t -> t.workingValue().get()).sum())
                : OptionalDouble.empty();
    }

    /** The parts a control's track is drawn as: its halves on both sides of the wiper, or it alone. */
    static List<Part> track(ColdScene scene, String reference) {
        Optional<Part> part = scene.set().part(reference);
        if (part.isEmpty() || !part.get().card().kind().equals("pot")) {
            return part.map(List::of).orElse(List.of());
        }
        String called = called(part.get());
        return scene.set().parts().stream()
                .filter(p -> p.card().kind().equals("pot")
                        && called(p).equals(called)
                        && (p.equals(part.get())
                                || p.nodes().stream().anyMatch(part.get().nodes()::contains)))
                .toList();
    }

    /** {@code volume} of {@code volume, upper part}. */
    static String called(Part pot) {
        return pot.description().replaceAll(",.*", "").strip();
    }

    /** The part under which a track's reading is kept. */
    static String keeper(ColdScene scene, String reference) {
        return track(scene, reference).stream().map(Part::reference).findFirst().orElse(reference);
    }
}
