package org.umberdial.core.power;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PowerRun;
import org.umberdial.core.set.BenchSet;

/** First power: what must be settled before, how the set is brought up, and what it showed. */
public final class PowerArea implements Area {
    static final String ID = "power";
    private static final double MINUTES = 15;
    private static final Claim COMES_UP = new Claim(BenchSet.WHOLE, Aspect.COMES_UP);

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Power";
    }

    @Override
    public boolean underPower() {
        return true;
    }

    /** The set's circuit as first power sees it; empty when it does not solve. */
    static Optional<PowerScene> scene(SetFile file) {
        return file.once(
                        Seen.class,
                        () -> new Seen(PowerScene.of(
                                file.set(),
                                file.contents().bench().mode(),
                                file.contents().bench().lineVolts())))
                .scene;
    }

    private record Seen(Optional<PowerScene> scene) {}

    /** Where meters are clipped while the set is brought up, in the order of its plan; empty without a circuit. */
    public static List<Watched> points(SetFile file) {
        return scene(file).map(Planner::watched).orElse(List.of()).stream()
                .filter(w -> w.kind() == Watched.Kind.RAIL || w.kind() == Watched.Kind.DROP)
                .toList();
    }

    private record Checks(List<ReadyCheck> all) {}

    /** Everything that stands before power. */
    public static List<ReadyCheck> checks(SetFile file) {
        return file.once(Checks.class, () -> new Checks(ReadyChecks.of(file, scene(file)))).all;
    }

    /** What is not settled of it. */
    public static List<ReadyCheck> unsettled(SetFile file) {
        return checks(file).stream().filter(check -> !check.state().lets()).toList();
    }

    /** Whether the last run came up as a healthy set, or the set plays on readings taken without one. */
    private static boolean broughtUp(SetFile file) {
        return file.ledger().sound(COMES_UP);
    }

    @Override
    public List<Claim> claims(SetFile file) {
        List<Claim> claims = new ArrayList<>(List.of(COMES_UP));
        FirstChecks.of(file).forEach(check -> claims.addAll(check.proves()));
        return claims.stream().distinct().toList();
    }

    @Override
    public List<Observation> observations(SetFile file, Ledger before) {
        List<Observation> seen = new ArrayList<>();
        for (EvidenceLog.Standing<PowerRun> s : file.log().standing(PowerRun.class)) {
            if (s.fact().phase() != PowerRun.Phase.BEGAN) {
                seen.add(new Observation(
                        COMES_UP,
                        s.fact().phase() == PowerRun.Phase.CAME_UP ? Observation.Word.SOUND : Observation.Word.DOUBTED,
                        Strength.IN_CIRCUIT,
                        false,
                        s.at(),
                        "",
                        s.fact().sentence() + ".",
                        s.entry().author(),
                        List.of(s.id())));
            }
        }
        for (EvidenceLog.Standing<PowerRun> s : file.log().standing(PowerRun.class)) {
            if (s.fact().phase() == PowerRun.Phase.CAME_UP) {
                scene(file).ifPresent(scene -> credit(scene, s, seen));
            }
        }
        seen.addAll(FirstChecks.observations(file));
        return seen;
    }

    /** A set that came up in its band has no filter capacitor that is a dead short, and a rectifier that gives. */
    private static void credit(PowerScene scene, EvidenceLog.Standing<PowerRun> run, List<Observation> seen) {
        scene.rails().stream()
                .flatMap(rail -> rail.capacitors().stream())
                .map(part -> new Claim(part, Aspect.NO_DEAD_SHORT))
                .forEach(claim -> seen.add(sound(
                        claim,
                        run.at(),
                        run.id(),
                        "Came up in its band, run " + short8(run.fact().run()) + ".")));
    }

    private static String short8(String run) {
        return run.substring(0, Math.min(8, run.length()));
    }

    private static Observation sound(Claim claim, Instant at, String entry, String says) {
        return new Observation(
                claim, Observation.Word.SOUND, Strength.IN_CIRCUIT, false, at, "", says, "", List.of(entry));
    }

    @Override
    public List<Act> acts(SetFile file) {
        if (broughtUp(file)) {
            return FirstChecks.acts(file);
        }
        List<ReadyCheck> open = unsettled(file);
        List<Act> acts = new ArrayList<>();
        if (!open.isEmpty() && open.stream().allMatch(check -> check.choices().size() > 0)) {
            acts.add(new Act(
                    ID + ":ready",
                    "",
                    "Settle what stands before power",
                    open.size() + (open.size() == 1 ? " question is" : " questions are") + " left: "
                            + open.get(0).title() + (open.size() > 1 ? " first." : "."),
                    List.of(),
                    MINUTES / 3,
                    Plug.OUT,
                    Act.Urgency.USUAL));
        }
        if (open.isEmpty()) {
            acts.add(new Act(
                    ID + ":run",
                    "",
                    "Bring the set up, limited and watched",
                    "Every step is compared with what a healthy set of this circuit shows; lamp and fuse protect it.",
                    List.of(COMES_UP),
                    MINUTES,
                    Plug.IN,
                    Act.Urgency.USUAL));
        }
        return acts;
    }

    /** Until a set has had power at all, its own questions keep the plug out. */
    @Override
    public List<Stop> stops(SetFile file) {
        if (file.powered()) {
            return List.of();
        }
        List<ReadyCheck> open = unsettled(file).stream()
                .filter(check -> !check.choices().isEmpty() || check.act().equals("parts:"))
                .toList();
        return open.isEmpty()
                ? List.of()
                : List.of(new Stop(
                        ID + ":first",
                        Gate.POWER,
                        "First power: " + open.size() + (open.size() == 1 ? " question" : " questions")
                                + " to settle, " + open.get(0).title().toLowerCase(java.util.Locale.ROOT)
                                + (open.size() == 1 ? "." : " first."),
                        false,
                        ID + ":ready"));
    }

    @Override
    public String standing(SetFile file) {
        List<EvidenceLog.Standing<PowerRun>> runs = file.log().standing(PowerRun.class).stream()
                .filter(s -> s.fact().phase() != PowerRun.Phase.BEGAN)
                .toList();
        if (!runs.isEmpty()) {
            return runs.get(runs.size() - 1).fact().sentence() + ".";
        }
        if (file.powered()) {
            return "Had power already, without a watched run.";
        }
        int open = unsettled(file).size();
        return open == 0
                ? "Everything before power is settled."
                : open + (open == 1 ? " thing" : " things") + " to settle before power.";
    }
}
