package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.set.Part;

/** A test that goes from part to part: a row for each, a verdict for each, and their sum. */
abstract class PartByPart implements ColdTool {
    private final String title;
    private final String lead;
    private final String nothingYet;
    private final String whenBad;

    /**
     * @param title over the rows
     * @param lead under it; may be empty
     * @param nothingYet what to do while nothing was read
     * @param whenBad what to do when a part fails
     */
    PartByPart(String title, String lead, String nothingYet, String whenBad) {
        this.title = title;
        this.lead = lead;
        this.nothingYet = nothingYet;
        this.whenBad = whenBad;
    }

    /** What one part's figures say. */
    record One(Verdict word, String value, String note) {}

    /** Parts that have a row, in order. */
    abstract List<String> subjects(ColdScene scene);

    abstract List<Cell> cells(ColdScene scene, String subject);

    /** Empty while its figures were not read. */
    abstract Optional<One> one(ColdScene scene, String subject, Figures figures);

    @Override
    public final List<Block> blocks(ColdScene scene, Figures figures) {
        List<Line> lines = subjects(scene).stream()
                .map(subject -> new Line(PartTools.name(scene, subject), subject, cells(scene, subject)))
                .toList();
        return List.of(new Block(title, lead, lines));
    }

    /** Proven are the parts that passed, refuted those that failed. */
    @Override
    public final ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        List<ColdVerdict.Result> results = new ArrayList<>();
        List<Claim> proves = new ArrayList<>();
        List<Claim> refutes = new ArrayList<>();
        List<Claim> doubts = new ArrayList<>();
        List<String> bad = new ArrayList<>();
        List<String> subjects = claims.stream().map(Claim::subject).distinct().toList();
        for (String subject : subjects) {
            Optional<One> one = one(scene, subject, figures)
                    .map(o -> unconfirmed(scene, subject, inReach(scene, subject, figures, o)));
            one.ifPresent(o -> {
                results.add(new ColdVerdict.Result(PartTools.name(scene, subject), o.value, o.note, o.word));
                List<Claim> own = ColdTool.of(claims, subject);
                switch (o.word) {
                    case GOOD -> proves.addAll(own);
                    case BAD -> refutes.addAll(own);
                    case DOUBT -> doubts.addAll(own);
                    default -> {}
                }
                if (o.word == Verdict.BAD) {
                    bad.add(PartTools.called(scene, subject));
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
            case DOUBT -> "In doubt: " + names(scene, doubts) + "." + left;
            case GOOD -> passed + (passed == 1 ? " part passes." : " parts pass.") + left;
            default -> unjudged(results) + left;
        };
        return new ColdVerdict(
                word, sentence, List.of(), List.copyOf(results), proves, refutes, doubts, bad.isEmpty() ? "" : whenBad);
    }

    private static String names(ColdScene scene, List<Claim> claims) {
        return String.join(
                ", ",
                claims.stream()
                        .map(claim -> PartTools.called(scene, claim.subject()))
                        .distinct()
                        .toList());
    }

    private static String unjudged(List<ColdVerdict.Result> results) {
        long unusual = results.stream().filter(r -> r.word() == Verdict.UNUSUAL).count();
        return unusual == 0
                ? "These readings prove nothing yet."
                : unusual + (unusual == 1 ? " reads" : " read")
                        + " unlike what such sets usually have: compare with this set's schematic.";
    }

    /** A meter that does not show as much as the part has shows the same when the part is open and when it is whole. */
    private static One inReach(ColdScene scene, String subject, Figures figures, One one) {
        OptionalDouble beyond = figures.beyond("o." + PartTools.keeper(scene, subject));
        if (beyond.isEmpty() || !one.value.equals(ColdTool.ohms(Double.POSITIVE_INFINITY))) {
            return one;
        }
        boolean lifted = figures.yes("l." + subject);
        OptionalDouble own = PartTools.own(scene, subject);
        double whole = lifted
                ? own.orElse(Double.POSITIVE_INFINITY)
                : InCircuit.of(scene, subject).map(InCircuit::predicted).orElse(own.orElse(0));
        return whole < beyond.getAsDouble()
                ? one
                : new One(
                        Verdict.NO_EXPECTATION,
                        "over " + ColdTool.ohms(beyond.getAsDouble()),
                        "this meter shows no more, and whole it reads as much: take one that reaches further");
    }

    /** Against what such sets usually have, a reading proves nothing and accuses nobody; an open part is open. */
    private static One unconfirmed(ColdScene scene, String subject, One one) {
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
                                + " that such sets usually have: unusual, compare with this set's schematic");
            default -> one;
        };
    }
}
