package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;

/** What tests that go from part to part have in common: their rows, and the sum over their parts. */
final class PartTools {
    private PartTools() {}

    /** What one part's figures say. */
    record One(Verdict word, String value, String note) {}

    /** Against what such sets usually have, a reading proves nothing and accuses nobody; an open part is open. */
    static One unconfirmed(ColdScene scene, String subject, One one) {
        boolean known = scene.set().part(subject).filter(Part::unconfirmed).isEmpty();
        if (known || one.value.equals(ColdTool.ohms(Double.POSITIVE_INFINITY))) {
            return one;
        }
        return switch (one.word) {
            case GOOD ->
                new One(Verdict.NO_EXPECTATION, one.value, "about what such sets usually have; not known for this one");
            case DOUBT, BAD ->
                new One(
                        Verdict.UNUSUAL,
                        one.value,
                        one.note.replaceAll(":.*", "")
                                + " that such sets usually have: unusual, compare with this set's" + " schematic");
            default -> one;
        };
    }

    /** Adds up the parts: proven are those that passed, refuted those that failed. */
    static ColdVerdict sum(
            ColdScene scene,
            List<Claim> claims,
            Figures figures,
            String nothingYet,
            String whenBad,
            BiFunction<String, Figures, Optional<One>> each) {
        List<ColdVerdict.Result> results = new ArrayList<>();
        List<Claim> proves = new ArrayList<>();
        List<Claim> refutes = new ArrayList<>();
        List<Claim> doubts = new ArrayList<>();
        List<String> bad = new ArrayList<>();
        List<String> subjects = claims.stream().map(Claim::subject).distinct().toList();
        for (String subject : subjects) {
            Optional<One> one = each.apply(subject, figures).map(o -> unconfirmed(scene, subject, o));
            one.ifPresent(o -> {
                results.add(new ColdVerdict.Result(name(scene, subject), o.value, o.note, o.word));
                List<Claim> own = ColdTool.of(claims, subject);
                switch (o.word) {
                    case GOOD -> proves.addAll(own);
                    case BAD -> refutes.addAll(own);
                    case DOUBT -> doubts.addAll(own);
                    default -> {}
                }
                if (o.word == Verdict.BAD) {
                    bad.add(called(scene, subject));
                }
            });
        }
        if (results.isEmpty()) {
            return ColdVerdict.wants(nothingYet);
        }
        long passed = results.stream().filter(r -> r.word() == Verdict.GOOD).count();
        String left = results.size() < subjects.size()
                ? " " + (subjects.size() - results.size()) + " of " + subjects.size() + " still to be read."
                : "";
        Verdict word = !bad.isEmpty()
                ? Verdict.BAD
                : !doubts.isEmpty() ? Verdict.DOUBT : passed > 0 ? Verdict.GOOD : Verdict.NO_EXPECTATION;
        String sentence = switch (word) {
            case BAD -> String.join(", ", bad) + (bad.size() == 1 ? " fails." : " fail.") + left;
            case DOUBT ->
                "In doubt: "
                        + String.join(
                                ", ",
                                doubts.stream()
                                        .map(claim -> called(scene, claim.subject()))
                                        .distinct()
                                        .toList())
                        + "." + left;
            case GOOD -> passed + (passed == 1 ? " part passes." : " parts pass.") + left;
            default -> {
                long unusual = results.stream()
                        .filter(r -> r.word() == Verdict.UNUSUAL)
                        .count();
                yield unusual == 0
                        ? "These readings prove nothing yet." + left
                        : unusual + (unusual == 1 ? " reads" : " read")
                                + " unlike what such sets usually have: compare with this set's schematic." + left;
            }
        };
        return new ColdVerdict(
                word, sentence, List.of(), List.copyOf(results), proves, refutes, doubts, bad.isEmpty() ? "" : whenBad);
    }

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

    static List<Line> lines(
            ColdScene scene, List<String> subjects, java.util.function.Function<String, List<Cell>> cells) {
        return subjects.stream()
                .map(subject -> new Line(name(scene, subject), subject, cells.apply(subject)))
                .toList();
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
