package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.procedure.Cells;

/** The cold bench: everything that can be proven with the plug out. */
public final class ColdArea implements Area {
    private static final String ID = "cold";
    /** Made at the plug, nothing inside is touched. */
    private static final Set<String> OUTSIDE = Set.of("plug-on", "plug-off", "line-chassis", "click");

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Cold";
    }

    /** The set as its tests see it. */
    public static ColdScene scene(SetFile file) {
        return file.once(
                ColdScene.class,
                () -> new ColdScene(
                        file.set(),
                        file.contents().label(),
                        file.policy(),
                        file.contents().bench().mode(),
                        file.contents().kit()));
    }

    /** What was made so far. */
    public static ColdBench bench(SetFile file) {
        return file.once(ColdBench.class, () -> ColdBench.of(scene(file), file.log()));
    }

    /** What is to be made, in order. */
    public static ColdPlan plan(SetFile file) {
        return file.once(
                ColdPlan.class,
                () -> ColdPlan.of(
                        scene(file),
                        bench(file),
                        file.ledger(),
                        file.contents().kit().kinds()));
    }

    @Override
    public List<Claim> claims(SetFile file) {
        return ColdTests.all(scene(file));
    }

    @Override
    public List<Observation> observations(SetFile file, Ledger before) {
        return bench(file).observations();
    }

    @Override
    public List<Act> acts(SetFile file) {
        List<Act> acts = new ArrayList<>();
        ColdPlan plan = plan(file);
        Optional<ColdPlan.Step> first = plan.next();
        first.ifPresent(step -> acts.add(act(step)));
        plan.steps().stream()
                .filter(step -> step.state() == ColdPlan.State.OPEN)
                .filter(step -> first.filter(f -> f.row().equals(step.row())).isEmpty())
                .forEach(step -> acts.add(act(step)));
        return acts;
    }

    private static Act act(ColdPlan.Step step) {
        TestRow row = step.row();
        return new Act(
                id(row.id()),
                row.id(),
                row.title(),
                step.reason(),
                step.adds(),
                step.minutes(),
                OUTSIDE.contains(row.id()) ? Plug.OUT : Plug.OUT_HANDS_IN,
                Act.Urgency.USUAL);
    }

    private static String id(String test) {
        return ID + ":" + test;
    }

    @Override
    public List<Stop> stops(SetFile file) {
        ColdScene scene = scene(file);
        List<Stop> stops = new ArrayList<>();
        Charge.State charge = bench(file).charge();
        if (charge != Charge.State.GONE) {
            stops.add(new Stop(
                    "hands:charge",
                    Gate.HANDS_IN,
                    charge == Charge.State.THERE
                            ? "A capacitor still held a charge when it was last read."
                            : file.powered()
                                    ? "Nobody has read the capacitors empty since the set last had power."
                                    : "Nobody has read every capacitor empty.",
                    charge == Charge.State.THERE,
                    id(Cells.DISCHARGE)));
        }
        needed(scene).forEach(claim -> stop(file, scene, claim).ifPresent(stops::add));
        return stops;
    }

    /** What must be proven before the plug goes in: the line side, and that no supply is short. */
    private static List<Claim> needed(ColdScene scene) {
        return ColdTests.all(scene).stream()
                .filter(claim -> switch (claim.aspect()) {
                    case NO_SHORT, NO_SHORT_TO_CORE, NO_DEAD_SHORT, RIGHT_RATING, CONTINUITY, INSULATION ->
                        guards(scene, claim);
                    default -> false;
                })
                .toList();
    }

    private static boolean guards(ColdScene scene, Claim claim) {
        List<Role> roles = scene.roles().rolesOf(claim.subject());
        return switch (claim.aspect()) {
            case NO_SHORT ->
                roles.contains(Role.LINE_CORD)
                        || roles.contains(Role.RECTIFIER_DIODE)
                        || roles.contains(Role.RECTIFIER_SELENIUM);
            case NO_SHORT_TO_CORE -> roles.contains(Role.POWER_TRANSFORMER);
            case NO_DEAD_SHORT -> roles.contains(Role.LINE_CAPACITOR) || roles.contains(Role.FILTER_CAPACITOR);
            case RIGHT_RATING -> roles.contains(Role.LINE_FUSE);
            case CONTINUITY -> roles.contains(Role.LINE_CORD);
            case INSULATION -> roles.contains(Role.POWER_TRANSFORMER) || roles.contains(Role.LINE_CORD);
            default -> false;
        };
    }

    private static Optional<Stop> stop(SetFile file, ColdScene scene, Claim claim) {
        Optional<Ledger.Standing> stands = file.ledger().of(claim);
        if (stands.filter(Ledger.Standing::sound).isPresent()) {
            return Optional.empty();
        }
        // A new part can be the wrong one, or wired wrong: it too is read before power.
        String unread = file.ledger().replaced(claim.subject()).isPresent()
                ? ": not read since it was replaced."
                : ": nobody has read it.";
        String name = PartTools.name(scene, claim.subject());
        String words = stands.map(s -> name + ", " + claim.aspect().label() + ". " + s.says())
                .orElse(name + ", " + claim.aspect().label() + unread);
        return Optional.of(new Stop(
                "power:" + claim.subject() + ":" + claim.aspect().label(),
                Gate.POWER,
                words,
                stands.isPresent(),
                TestRow.all().stream()
                        .filter(row -> ColdTests.claims(scene, row).contains(claim))
                        .findFirst()
                        .map(row -> id(row.id()))
                        .orElse("")));
    }

    @Override
    public String standing(SetFile file) {
        ColdPlan plan = plan(file);
        long open = plan.steps().stream()
                .filter(s -> s.state() == ColdPlan.State.OPEN)
                .count();
        long failed = plan.steps().stream()
                .filter(s -> s.state() == ColdPlan.State.FAILED)
                .count();
        String by = file.set().parts().isEmpty() ? "By its class and label, without a circuit: " : "";
        if (open == 0 && failed == 0) {
            long unproven = claims(file).stream()
                    .filter(claim -> file.ledger()
                            .of(claim)
                            .filter(Ledger.Standing::sound)
                            .isEmpty())
                    .count();
            return by
                    + (unproven == 0
                            ? "Nothing is left to prove cold."
                            : "No test is left that this shop's instruments can make; " + unproven + " stay unproven.");
        }
        return by + open + (open == 1 ? " test left, about " : " tests left, about ")
                + (long) Math.ceil(plan.minutesLeft()) + " min"
                + (failed == 0 ? "." : "; " + failed + " failed.");
    }
}
