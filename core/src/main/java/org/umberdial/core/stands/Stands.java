package org.umberdial.core.stands;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.set.Part;

/**
 * A set's front page.
 *
 * @param next the one next act
 * @param stages the way from door to hand-over, as far as there are areas for it
 * @param stops what bars power or hands
 * @param toSettle what disagrees, one sentence each
 * @param provisional parts that only stand in, and values that are nobody's reading, one sentence each
 */
public record Stands(
        Optional<Act> next, List<Stage> stages, List<Stop> stops, List<String> toSettle, List<String> provisional) {
    /** How a stage stands. */
    public enum State {
        /** Nothing is left to settle in it. */
        DONE,
        /** The next act is in it. */
        HERE,
        OPEN,
        /** What it needs is shut. */
        BARRED
    }

    /**
     * One stage.
     *
     * @param proven how many of its claims are settled as sound
     * @param doubtful how many are in doubt, conflicts among them
     * @param failed how many are settled as bad
     * @param open how many nobody has settled
     * @param sentence how it stands
     * @param barred by what; empty when nothing bars it
     */
    public record Stage(
            String id,
            String title,
            State state,
            int proven,
            int doubtful,
            int failed,
            int open,
            String sentence,
            String barred) {}

    public static Stands of(SetFile file) {
        return file.once(Stands.class, () -> reckon(file));
    }

    private static Stands reckon(SetFile file) {
        Guide guide = Guide.of(file);
        Optional<Act> next = guide.next();
        List<Stage> stages = file.areas().stream()
                .map(area -> stage(file, guide, next, area))
                .toList();
        List<String> toSettle = new ArrayList<>(
                file.ledger().conflicts().stream().map(Ledger.Standing::says).toList());
        file.set().parts().forEach(part -> part.conflict().ifPresent(c -> toSettle.add(part.reference() + ": " + c)));
        return new Stands(next, stages, guide.stops(), List.copyOf(toSettle), provisional(file));
    }

    private static Stage stage(SetFile file, Guide guide, Optional<Act> next, Area area) {
        int proven = 0;
        int doubtful = 0;
        int failed = 0;
        int open = 0;
        for (Claim claim : area.claims(file)) {
            Optional<Ledger.Standing> stands = file.ledger().of(claim);
            if (stands.isEmpty()) {
                open++;
            } else if (stands.get().sound()) {
                proven++;
            } else if (stands.get().failed()) {
                failed++;
            } else {
                doubtful++;
            }
        }
        boolean here = next.filter(act -> act.area().equals(area.id())).isPresent();
        boolean done = open + doubtful + failed == 0 && proven > 0;
        String barred = !done && area.underPower() && !guide.open(Gate.POWER) ? first(guide.stops(Gate.POWER)) : "";
        State state = here ? State.HERE : !barred.isEmpty() ? State.BARRED : done ? State.DONE : State.OPEN;
        return new Stage(area.id(), area.title(), state, proven, doubtful, failed, open, area.standing(file), barred);
    }

    /** The first of what bars, and how many more do. */
    private static String first(List<Stop> stops) {
        String words = stops.get(0).words();
        return stops.size() == 1 ? words : words.replaceAll("[.]$", "") + ", and " + (stops.size() - 1) + " more.";
    }

    private static List<String> provisional(SetFile file) {
        List<String> all = new ArrayList<>();
        file.ledger()
                .provisional()
                .forEach(r -> all.add(r.subject() + ": " + (r.with().isEmpty() ? "another part" : r.with())
                        + " stands in for the right one."));
        ForNow.open(file.log()).forEach(s -> all.add(s.fact().sentence() + "."));
        long usual = file.set().parts().stream().filter(Part::unconfirmed).count();
        if (usual > 0) {
            all.add(usual + (usual == 1 ? " value is" : " values are")
                    + " as such sets usually have them, not read off this one.");
        }
        return List.copyOf(all);
    }
}
