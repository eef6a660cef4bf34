package org.umberdial.core.power;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PowerReady;
import org.umberdial.core.evidence.PowerRun;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.policy.School;
import org.umberdial.core.power.ReadyCheck.Choice;
import org.umberdial.core.power.ReadyCheck.State;
import org.umberdial.core.set.ConstructionClass;

/**
 * What must be settled before a set is given power, and how each of it stands. What evidence tells is told by the
 * evidence; what only eyes at the bench can tell is asked, and what changes with each run is asked before each.
 */
public final class ReadyChecks {
    private final SetFile file;
    private final Optional<PowerScene> scene;
    private final School way;
    private final Map<String, EvidenceLog.Standing<PowerReady>> answers = new LinkedHashMap<>();
    private final Instant lastRun;
    private final List<ReadyCheck> all = new ArrayList<>();

    private ReadyChecks(SetFile file, Optional<PowerScene> scene) {
        this.file = file;
        this.scene = scene;
        way = file.policy().schools().of(School.Question.FIRST_POWER);
        file.log().standing(PowerReady.class).forEach(s -> answers.put(s.fact().gate(), s));
        lastRun = file.log().standing(PowerRun.class).stream()
                .filter(s -> s.fact().phase() != PowerRun.Phase.BEGAN)
                .map(EvidenceLog.Standing::at)
                .max(Instant::compareTo)
                .orElse(Instant.MIN);
    }

    /** Everything that stands before power, what evidence settles first. */
    static List<ReadyCheck> of(SetFile file, Optional<PowerScene> scene) {
        ReadyChecks checks = new ReadyChecks(file, scene);
        checks.fromOtherAreas();
        checks.cord();
        checks.fuse();
        checks.capacitors();
        checks.atTheBench();
        return List.copyOf(checks.all);
    }

    /** What the other areas hold against power, one by one. */
    private void fromOtherAreas() {
        Set<String> decided = file.decided();
        List<ReadyCheck> open = new ArrayList<>();
        for (Area area : file.areas()) {
            if (area.id().equals(PowerArea.ID)) {
                continue;
            }
            for (Stop stop : area.stops(file)) {
                if (stop.gate() == Gate.POWER) {
                    boolean passed = !stop.bad() && decided.contains(stop.id());
                    open.add(new ReadyCheck(
                            stop.id(),
                            area.title(),
                            stop.bad() ? State.WRONG : passed ? State.PASSED : State.ASKED,
                            stop.words() + unproven(stop),
                            List.of(),
                            false,
                            stop.act(),
                            !stop.bad()));
                }
            }
        }
        if (open.isEmpty()) {
            open.add(new ReadyCheck(
                    "others",
                    "Line side, insulation, shorts",
                    State.OPEN,
                    "Nothing that was read on the cold bench or of the parts speaks against power.",
                    List.of(),
                    false,
                    "",
                    false));
        }
        all.addAll(open);
    }

    /** A shop that cannot test insulation has a way of its own, which says that it proves less. */
    private String unproven(Stop stop) {
        boolean noTester = !file.contents().kit().kinds().contains(Equipment.INSULATION_TESTER);
        return noTester && stop.id().endsWith(":" + Aspect.INSULATION.label())
                ? " This shop has no insulation tester: read ohms to the core on the highest range with every tube out,"
                        + " go on with that as the reason, and it stays unproven in the log."
                : "";
    }

    private void ask(String id, String title, String question, boolean everyRun, Choice... choices) {
        Optional<EvidenceLog.Standing<PowerReady>> answer =
                Optional.ofNullable(answers.get(id)).filter(a -> !everyRun || a.at().isAfter(lastRun));
        Optional<Choice> chosen = answer.flatMap(a ->
                Stream.of(choices).filter(c -> c.id().equals(a.fact().answer())).findFirst());
        boolean passed = answer.filter(a -> a.fact().answer().equals(PowerReady.OVERRIDE))
                .isPresent();
        State state = passed
                ? State.PASSED
                : chosen.map(c -> c.opens() ? State.OPEN : State.WRONG).orElse(State.ASKED);
        String says = passed
                ? "Passed over: " + answer.orElseThrow().fact().reason()
                : chosen.map(c -> c.words() + "." + (c.then().isEmpty() ? "" : " " + c.then()))
                        .orElse(question);
        all.add(new ReadyCheck(id, title, state, says, List.of(choices), everyRun, "", true));
    }

    private static Choice yes(String words) {
        return new Choice("yes", words, true, "");
    }

    private static Choice no(String words, String then) {
        return new Choice("no", words, false, then);
    }

    private void cord() {
        ConstructionClass construction = file.set().construction();
        if (!construction.lineFed()) {
            return;
        }
        boolean live = construction.liveChassis();
        ask(
                "cord",
                "Cord and plug",
                live
                        ? "Is the cord sound, held where it enters, and its plug polarized, so that switch and fuse are in"
                                + " the live lead?"
                        : "Is the cord sound, held where it enters, and three-wire with its earth on the chassis, or as"
                                + " your local code has it?",
                false,
                yes(live ? "Sound, held and polarized" : "Sound, held, earthed or as local code has it"),
                no("Not yet", "Fit one before the plug goes in: a perished cord bites the hand that holds it."));
    }

    private void fuse() {
        if (!file.set().construction().lineFed()) {
            return;
        }
        boolean drawn =
                file.set().parts().stream().anyMatch(p -> p.card().kind().equals("fuse"));
        ask(
                "fuse",
                "Fuse in the live lead",
                (drawn
                                ? "Is the fuse in its holder the one that was read, and does it break the live lead?"
                                : "This set’s circuit shows no fuse. Is one fitted in the live lead, ahead of the switch?")
                        + " Its size stands with the plan.",
                false,
                yes("Fitted, in the live lead ahead of the switch"),
                no("Not yet", "Fit it: lamp and fuse protect the set; nothing on a screen does."));
    }

    private void capacitors() {
        if (scene.isEmpty()) {
            ask(
                    "capacitors",
                    "Coupling and filter capacitors",
                    "Without a circuit nothing here knows them. Are those that feed a grid replaced or proven, and the"
                            + " electrolytics replaced or formed?",
                    false,
                    yes("Replaced or proven"),
                    no("Not yet", "A leak into a grid can take the output transformer within a minute."));
            return;
        }
        settled(
                "grids",
                "Capacitors that feed a grid",
                scene.get().gridFeeding().stream().map(Card::reference).toList(),
                false,
                "A leak there turns the tube hard on and can take the output transformer with it.");
        settled(
                "electrolytics",
                "Filter capacitors",
                scene.get().rails().stream()
                        .flatMap(rail -> rail.capacitors().stream())
                        .filter(c -> file.set()
                                .part(c)
                                .filter(p -> p.card().kind().equals("electrolytic"))
                                .isPresent())
                        .toList(),
                true,
                "One that shorts under power burns the rectifier.");
    }

    /** Capacitors that were replaced, or read without a leak. */
    private void settled(String id, String title, List<String> parts, boolean mayForm, String why) {
        if (parts.isEmpty()) {
            return;
        }
        List<String> failed = parts.stream()
                .filter(p -> file.ledger().failed(new Claim(p, Aspect.NO_LEAK)))
                .toList();
        List<String> open = parts.stream()
                .filter(p ->
                        file.ledger().replaced(p).isEmpty() && !file.ledger().sound(new Claim(p, Aspect.NO_LEAK)))
                .toList();
        boolean ramp = way == School.VARIABLE_TRANSFORMER || way == School.LAMP_AND_VARIABLE;
        boolean forms = mayForm && ramp && file.policy().schools().follow(School.FORM_IN_THE_SET);
        boolean first = file.policy().schools().follow(School.POWER_FIRST);
        State state;
        String says;
        if (!failed.isEmpty()) {
            state = State.WRONG;
            says = named(failed) + " failed when read: replace before power. " + why;
        } else if (open.isEmpty()) {
            state = State.OPEN;
            says = named(parts) + ": replaced, or read without a leak.";
        } else if (forms) {
            state = State.OPEN;
            says = named(open) + (open.size() == 1 ? " forms" : " form")
                    + " under this ramp, as this set’s school has it. Hold each step until the current falls no further.";
        } else if (first) {
            state = State.OPEN;
            says = named(open)
                    + " not read: limited power first is the school here. Minutes only, and stop at any alarm. " + why;
        } else {
            state = Optional.ofNullable(answers.get(id))
                            .filter(a -> a.fact().answer().equals(PowerReady.OVERRIDE))
                            .isPresent()
                    ? State.PASSED
                    : State.ASKED;
            says = state == State.PASSED
                    ? "Passed over: " + answers.get(id).fact().reason()
                    : named(open) + ": not replaced, and nobody has read a leak. " + why;
        }
        all.add(new ReadyCheck(
                id, title, state, says, List.of(), false, open.isEmpty() ? "" : "parts:", failed.isEmpty()));
    }

    private static String named(List<String> parts) {
        return parts.stream().collect(Collectors.joining(", "));
    }

    private void atTheBench() {
        ConstructionClass construction = file.set().construction();
        boolean live = construction.liveChassis();
        ask(
                "tubes",
                "Tubes",
                "Are rectifier and output tube in or out as you plan it, and every other in its own socket?",
                true,
                yes("As planned"),
                no("Not yet", "Put them as planned first, plug out."));
        ask(
                "controls",
                "Controls and hidden switches",
                "Is the volume down, and do you know where standby, band and phono switches stand? A hidden switch looks"
                        + " like a dead set.",
                true,
                yes("Volume down, switches known"),
                no("Not yet", "Find them first; the register of controls says how they were."));
        ask(
                "load",
                "Speaker or dummy load",
                "Is a speaker or a dummy load on the output? Without one a loud note can break down the output"
                        + " transformer.",
                true,
                new Choice("speaker", "Speaker connected", true, ""),
                new Choice("dummy", "Dummy load connected", true, ""),
                no("Not yet", "Connect one, plug out."));
        scene.flatMap(PowerScene::fieldCoil)
                .ifPresent(coil -> ask(
                        "field",
                        "Field-coil plug",
                        "Is the speaker’s plug in? Without " + coil
                                + " the rail is open, and the pins of its socket stand at B+.",
                        true,
                        yes("Plugged in"),
                        no("Not yet", "Plug it in before power; never while it is on.")));
        if (construction.lineFed()) {
            ask(
                    "isolation",
                    "Isolation",
                    live
                            ? "What feeds the set? Its chassis can be live: an isolation transformer, always."
                            : "What feeds the set? An isolation transformer forgives one touch.",
                    true,
                    new Choice(
                            "isolated",
                            "An isolation transformer feeds it",
                            true,
                            "One set on it, nothing earthed within reach."),
                    new Choice(
                            "variable",
                            "A variable transformer alone",
                            false,
                            "That isolates nothing, even turned low: put an isolation transformer ahead of it."),
                    new Choice(
                            "none",
                            "Straight from the line",
                            !live && insulated(),
                            !live && insulated()
                                    ? "Its own transformer isolates it, and that was measured."
                                    : "Put an isolation transformer ahead of it."));
        }
        ask(
                "clips",
                "Meter clipped on",
                "Is the meter clipped on with the plug out"
                        + scene.map(s -> ": "
                                        + s.rails().stream()
                                                .map(PowerScene.Rail::name)
                                                .collect(Collectors.joining(", "))
                                        + s.drop()
                                                .map(d -> ", over " + d.name())
                                                .orElse(""))
                                .orElse("")
                        + "? Its leads must stand the unloaded peak.",
                true,
                yes("Clipped on"),
                no("Not yet", "Clip on now, plug out; nobody probes during the first minute."));
        ask(
                "discharge",
                "Discharge tool",
                "Does a resistor with insulated clips lie at hand for the moment after?",
                true,
                yes("At hand"),
                no("Not yet", "A resistor of about 10 kΩ, 10 W, on insulated leads."));
        ask(
                "helper",
                "Somebody near",
                "Is somebody near who knows where the plug is?",
                true,
                yes("Somebody is near"),
                no("Nobody", "Wait for somebody, or go on with a reason; local rules of work come first."));
    }

    /** Whether the insulation of its power transformer was measured and is sound. */
    private boolean insulated() {
        return file.set().construction().transformer()
                && file.set().parts().stream()
                        .filter(p -> p.card().model().equals("XFMR"))
                        .map(p -> new Claim(p.reference(), Aspect.INSULATION))
                        .anyMatch(file.ledger()::sound);
    }
}
