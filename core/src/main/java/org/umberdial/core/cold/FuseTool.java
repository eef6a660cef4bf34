package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.procedure.BenchForm.Block;
import org.umberdial.core.procedure.BenchForm.Cell;
import org.umberdial.core.procedure.BenchForm.Choice;
import org.umberdial.core.procedure.BenchForm.Line;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.FuseSizes;
import org.umberdial.core.value.Unit;

/**
 * The line fuse: what is stamped on it against what the set draws, and its ohms against what a fuse of that rating has.
 *
 * <p>Its size is the next standard one above 1.5 times the running current, which is the label's watts over its volts.
 * Cold it has less ohms than the largest drop the standard allows at its rating, over that rating.
 */
final class FuseTool implements ColdTool {
    /** Test leads and a holder's springs [Ω]. */
    private static final double LEADS = 0.3;

    /**
     * What the set draws when it runs [A]; empty when its label does not say, or its selector stands nobody knows
     * where: a line that is only usual would find a fuse right that is not.
     */
    private static OptionalDouble running(ColdScene scene) {
        OptionalDouble line = scene.label().expectedLine();
        return scene.label().watts().isPresent() && line.isPresent()
                ? OptionalDouble.of(scene.label().watts().getAsDouble() / line.getAsDouble())
                : OptionalDouble.empty();
    }

    private static OptionalDouble size(ColdScene scene) {
        OptionalDouble running = running(scene);
        return running.isEmpty() ? running : FuseSizes.fitting(running.getAsDouble());
    }

    /** Most ohms a sound fuse of a rating has, leads included. */
    private static double most(double amperes) {
        return FuseSizes.mostOhms(amperes) + LEADS;
    }

    @Override
    public List<Block> blocks(ColdScene scene, Figures figures) {
        return List.of(new Block(
                "Out of its holder",
                running(scene).isPresent()
                        ? ColdTool.text(
                                "%.0f W at %.0f V is %s; the next size above %.1f times that.",
                                scene.label().watts().getAsDouble(),
                                scene.lineVolts(),
                                ColdTool.amperes(running(scene).getAsDouble()),
                                FuseSizes.MARGIN)
                        : "The label's watts or its line are not known, so nothing here says which size is right.",
                scene.roles().of(Role.LINE_FUSE).stream()
                        .map(s -> new Line(PartTools.name(scene, s), s, cells(scene, figures, s)))
                        .toList()));
    }

    private static List<Cell> cells(ColdScene scene, Figures figures, String s) {
        String wanted =
                size(scene).isPresent() ? ColdTool.amperes(size(scene).getAsDouble()) + ", slow" : "as on the label";
        OptionalDouble stamped = number(figures, "a." + s);
        String closed = stamped.isPresent() ? "under " + ColdTool.ohms(most(stamped.getAsDouble())) : "closed";
        List<Cell> cells = new ArrayList<>(List.of(
                Cell.figure("a." + s, "stamped", Unit.AMPERE, wanted),
                Cell.choice("s." + s, "kind", new Choice("slow", "slow"), new Choice("fast", "fast"))));
        if (size(scene).isEmpty()) {
            cells.add(Cell.yesNo("p." + s, "as plate or sheet says"));
        }
        cells.add(Cell.figure("o." + s, "across it", Unit.OHM, closed));
        return cells;
    }

    private static OptionalDouble number(Figures figures, String key) {
        OptionalDouble read = figures.number(key);
        return read.isPresent() && read.getAsDouble() > 0 ? read : OptionalDouble.empty();
    }

    @Override
    public ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures) {
        String fuse = claims.stream().map(Claim::subject).findFirst().orElse(Roles.FUSE);
        // Entries of earlier versions say good or bad by eye.
        if (figures.has("c." + fuse)) {
            return byEye(claims, figures.text("c." + fuse));
        }
        List<ColdVerdict.Result> results = new ArrayList<>();
        List<Claim> proves = new ArrayList<>();
        List<Claim> refutes = new ArrayList<>();
        List<Claim> doubts = new ArrayList<>();
        rating(scene, figures, fuse)
                .ifPresent(result -> sort(claims, Aspect.RIGHT_RATING, result, results, proves, refutes, doubts));
        ohms(figures, fuse)
                .ifPresent(result -> sort(claims, Aspect.CONTINUITY, result, results, proves, refutes, doubts));
        if (results.isEmpty()) {
            return ColdVerdict.wants("Read what is stamped on the fuse, then its ohms.");
        }
        Verdict word = !refutes.isEmpty()
                ? Verdict.BAD
                : !doubts.isEmpty()
                        ? Verdict.DOUBT
                        : results.stream().allMatch(r -> r.word() == Verdict.GOOD)
                                ? Verdict.GOOD
                                : Verdict.NO_EXPECTATION;
        String sentence = String.join(
                " ",
                results.stream()
                        .map(r -> r.label() + " " + r.value() + ": " + r.note() + ".")
                        .toList());
        return new ColdVerdict(
                word,
                sentence,
                List.of(),
                List.copyOf(results),
                proves,
                refutes,
                doubts,
                word == Verdict.BAD ? "Fit the right one before anything meets the line." : "");
    }

    private static ColdVerdict byEye(List<Claim> claims, String said) {
        return switch (said) {
            case "good" -> ColdVerdict.good("Found right by eye.", claims);
            case "bad" -> ColdVerdict.bad("Found wrong by eye.", claims, "Fit the right one.");
            default -> ColdVerdict.doubt("Doubtful by eye.", claims, "Read its stamp and its ohms.");
        };
    }

    private static void sort(
            List<Claim> claims,
            Aspect aspect,
            ColdVerdict.Result result,
            List<ColdVerdict.Result> results,
            List<Claim> proves,
            List<Claim> refutes,
            List<Claim> doubts) {
        results.add(result);
        List<Claim> own = claims.stream().filter(c -> c.aspect() == aspect).toList();
        switch (result.word()) {
            case GOOD -> proves.addAll(own);
            case BAD -> refutes.addAll(own);
            case DOUBT -> doubts.addAll(own);
            default -> {}
        }
    }

    private static Optional<ColdVerdict.Result> rating(ColdScene scene, Figures figures, String fuse) {
        OptionalDouble stamped = number(figures, "a." + fuse);
        if (stamped.isEmpty()) {
            return Optional.empty();
        }
        double amperes = stamped.getAsDouble();
        // Under the name of its row, beside which it is shown.
        String name = PartTools.name(scene, fuse);
        String value = ColdTool.amperes(amperes) + (figures.has("s." + fuse) ? " " + figures.text("s." + fuse) : "");
        OptionalDouble size = size(scene);
        if (size.isEmpty()) {
            return Optional.of(bySheet(figures.text("p." + fuse), name, value));
        }
        double running = running(scene).orElseThrow();
        String right = ColdTool.amperes(size.getAsDouble());
        if (amperes > size.getAsDouble() * 1.01) {
            return Optional.of(new ColdVerdict.Result(
                    name, value, "too large to protect this set: fit " + right + " slow", Verdict.BAD));
        }
        if (amperes < running) {
            return Optional.of(new ColdVerdict.Result(
                    name, value, "less than the set draws, so it will blow: fit " + right + " slow", Verdict.DOUBT));
        }
        if (!figures.has("s." + fuse)) {
            return Optional.of(new ColdVerdict.Result(
                    name, value, "fits; say whether it is slow or fast", Verdict.NO_EXPECTATION));
        }
        return Optional.of(
                figures.text("s." + fuse).equals("fast")
                        ? new ColdVerdict.Result(
                                name,
                                value,
                                "fits, but a fast one may blow at switch-on: slow is usual here",
                                Verdict.DOUBT)
                        : new ColdVerdict.Result(name, value, "fits what the set draws", Verdict.GOOD));
    }

    /** Without the label's watts and line the set's own plate or sheet decides; a person has read it there. */
    private static ColdVerdict.Result bySheet(String said, String name, String value) {
        return switch (said) {
            case "yes" -> new ColdVerdict.Result(name, value, "as the set's plate or sheet says", Verdict.GOOD);
            case "no" -> new ColdVerdict.Result(name, value, "not what the set's plate or sheet says", Verdict.BAD);
            default ->
                new ColdVerdict.Result(
                        name,
                        value,
                        "cannot tell without the label's watts and line: compare with its plate or sheet",
                        Verdict.NO_EXPECTATION);
        };
    }

    private static Optional<ColdVerdict.Result> ohms(Figures figures, String fuse) {
        OptionalDouble read = figures.ohms("o." + fuse);
        if (read.isEmpty()) {
            return Optional.empty();
        }
        double ohms = read.getAsDouble();
        String value = ColdTool.ohms(ohms);
        if (ohms > OPEN_OHMS) {
            return Optional.of(new ColdVerdict.Result("Across it", value, "blown", Verdict.BAD));
        }
        OptionalDouble stamped = number(figures, "a." + fuse);
        if (stamped.isEmpty()) {
            return Optional.of(new ColdVerdict.Result(
                    "Across it", value, "closed; what is right for it follows from its stamp", Verdict.NO_EXPECTATION));
        }
        double most = most(stamped.getAsDouble());
        return Optional.of(
                ohms <= most
                        ? new ColdVerdict.Result("Across it", value, "closed", Verdict.GOOD)
                        : new ColdVerdict.Result(
                                "Across it",
                                value,
                                "more than the " + ColdTool.ohms(most)
                                        + " of a sound one: clean its caps, then read again",
                                Verdict.DOUBT));
    }
}
