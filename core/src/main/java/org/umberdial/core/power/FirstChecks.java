package org.umberdial.core.power;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PowerChecked;
import org.umberdial.core.power.FirstCheck.Cell;
import org.umberdial.core.power.FirstCheck.Judged;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** The checks that are made while a set has limited power, as far as they mean something in this one. */
public final class FirstChecks {
    /** A body that touches, as the measuring networks of product standards have it at their plainest [Ω]. */
    private static final double BODY_OHMS = 1500;
    /** Two plates of a rectifier stand within so much of each other. */
    private static final double PLATES_APART = 0.05;

    private static final double HEATER_LOW = 0.90;
    private static final double HEATER_HIGH = 1.10;
    /** A tag reads so much of the whole heater's volts when its contact drops the rest. */
    private static final double TAG_OVER_PIN = 1.05;

    private FirstChecks() {}

    /** In the order they are made. */
    public static List<FirstCheck> of(SetFile file) {
        List<FirstCheck> all = new ArrayList<>();
        boolean lineFed = file.set().construction().lineFed();
        Optional<PowerScene> scene = PowerArea.scene(file);
        scene.flatMap(s -> plates(s)).ifPresent(all::add);
        scene.ifPresent(s -> all.add(heaters(s)));
        scene.flatMap(FirstChecks::tubesOut).ifPresent(all::add);
        if (lineFed) {
            all.add(chassis(file));
        }
        all.add(response());
        return List.copyOf(all);
    }

    /** Only where its rectifier is a tube with two plates whose heater does not hang in a string. */
    private static Optional<FirstCheck> plates(PowerScene scene) {
        if (scene.rectifier() == PowerScene.Rectifier.NONE) {
            return Optional.empty();
        }
        boolean twoPlates =
                scene.rectifiers().stream().anyMatch(card -> card.nodes().size() == 3)
                        || scene.rectifiers().size() == 2 && !scene.series();
        if (!twoPlates || scene.series()) {
            return Optional.empty();
        }
        boolean metal = scene.rectifier() == PowerScene.Rectifier.METAL;
        return Optional.of(new FirstCheck(
                "plates",
                "Rectifier plates, AC",
                metal
                        ? "Lift the metal rectifier's AC leads first, plug out: left in, the filters would charge to the"
                                + " unloaded peak. Then read AC from each lead to the centre tap."
                        : "Rectifier tube out, plug out while you pull it. Read AC from each plate pin to chassis, meter"
                                + " clipped on: hundreds of volts, so hands off while it is on.",
                List.of(Cell.volts("first", "One plate"), Cell.volts("second", "Other plate")),
                List.of()));
    }

    private static FirstCheck heaters(PowerScene scene) {
        List<Cell> cells = new ArrayList<>();
        scene.set().cards().stream().filter(scene.nets()::isHeater).forEach(card -> {
            String socket = Card.tube(card.reference());
            OptionalDouble volts = scene.healthy().heaterVolts(card.reference());
            cells.add(new Cell(
                    "pin." + socket,
                    socket + ", on its pins",
                    Unit.VOLT,
                    volts.isPresent() ? Engineering.round(volts.getAsDouble(), Unit.VOLT) : ""));
        });
        return new FirstCheck(
                "heaters",
                "Heaters only",
                (scene.series()
                                ? "Lift the feed to the first filter, plug out: in a string no tube may be pulled, or all go"
                                        + " dark."
                                : "Rectifier tube out, or the feed to the first filter lifted, plug out while you do it.")
                        + " Look at the glow, then read heater volts on the tube's own pins, not on the socket's tags.",
                cells,
                List.of());
    }

    /** A transformer that idles draws little; turns that are shorted draw much, and show before a tube is risked. */
    private static Optional<FirstCheck> tubesOut(PowerScene scene) {
        if (scene.series()
                || scene.set().cards().stream()
                        .noneMatch(card -> card.model().equals("XFMR")
                                && scene.network().line().map(l -> true).orElse(false))) {
            return Optional.empty();
        }
        return Optional.of(new FirstCheck(
                "idle",
                "The transformer alone",
                "Every tube and lamp out, plug out while you pull them; then on, behind the smallest lamp. The lamp must be"
                        + " dark and the set at nearly the whole line: a glow is a shorted turn or a short in the wiring.",
                List.of(
                        Cell.volts("set", "Set volts"),
                        Cell.volts("line", "Line volts"),
                        Cell.choice("glow", "Lamp", "dark", "dull", "bright")),
                List.of()));
    }

    private static FirstCheck chassis(SetFile file) {
        return new FirstCheck(
                "chassis",
                "Chassis to earth",
                "Isolation bypassed on purpose, meter and resistor clipped from chassis to earth, hands off and away before"
                        + " the plug goes in. Both plug ways, switched on and off. Behind an isolation transformer this reads"
                        + " harmless whatever the fault.",
                List.of(
                        Cell.choice("isolated", "Isolation transformer", "bypassed", "in use"),
                        new Cell("ohms", "Resistor across the meter", Unit.OHM, Engineering.round(BODY_OHMS, Unit.OHM)),
                        Cell.volts("on", "On, one plug way"),
                        Cell.volts("off", "Off, one plug way"),
                        Cell.volts("onTurned", "On, plug turned"),
                        Cell.volts("offTurned", "Off, plug turned")),
                List.of(new Claim(BenchSet.WHOLE, Aspect.TOUCH_CURRENT)));
    }

    private static FirstCheck response() {
        return new FirstCheck(
                "response",
                "Hum, and what the volume does",
                "On limited power, before anything is called dead: ask for the hidden switch, the band, standby, phono.",
                List.of(
                        Cell.choice("hum", "Hum from the speaker", "none", "faint", "loud"),
                        Cell.choice("volume", "Turning the volume", "is heard", "is not heard"),
                        Cell.choice("switches", "Every switch and band tried", "yes", "no")),
                List.of());
    }

    /** What was found, newest first, by check. */
    public static Map<String, Judged> judged(SetFile file) {
        Map<String, Judged> all = new LinkedHashMap<>();
        for (FirstCheck check : of(file)) {
            List<EvidenceLog.Standing<PowerChecked>> made = file.log().standing(PowerChecked.class).stream()
                    .filter(s -> s.fact().check().equals(check.id()))
                    .toList();
            if (!made.isEmpty()) {
                all.put(check.id(), judge(file, made.get(made.size() - 1).fact()));
            }
        }
        return all;
    }

    /** What figures of a check say, kept or not. */
    public static Judged judge(SetFile file, PowerChecked made) {
        return switch (made.check()) {
            case "plates" -> judgePlates(made);
            case "heaters" -> judgeHeaters(file, made);
            case "idle" -> judgeIdle(made);
            case "chassis" -> judgeChassis(file, made);
            default -> judgeResponse(made);
        };
    }

    private static Judged judgePlates(PowerChecked made) {
        Double a = made.figures().get("first");
        Double b = made.figures().get("second");
        if (a == null || b == null) {
            return Judged.open("Read both plates.");
        }
        if (Math.max(a, b) < 1) {
            return new Judged(
                    Verdict.BAD, "Neither plate has volts: primary, fuse, switch, or the centre tap is open.");
        }
        double apart = Math.abs(a - b) / ((a + b) / 2);
        return apart <= PLATES_APART
                ? new Judged(Verdict.GOOD, text("%s and %s: equal within %.1f %%.", volts(a), volts(b), 100 * apart))
                : new Judged(
                        Verdict.BAD,
                        text(
                                "%s and %s, %.0f %% apart: half of the winding has an open lead, shorted turns, or"
                                        + " something hangs on it.",
                                volts(a), volts(b), 100 * apart));
    }

    private static Judged judgeHeaters(SetFile file, PowerChecked made) {
        PowerScene scene = PowerArea.scene(file).orElseThrow();
        List<String> high = new ArrayList<>();
        List<String> low = new ArrayList<>();
        int read = 0;
        for (Card card :
                scene.set().cards().stream().filter(scene.nets()::isHeater).toList()) {
            String socket = Card.tube(card.reference());
            Double pin = made.figures().get("pin." + socket);
            OptionalDouble rated = scene.healthy().heaterVolts(card.reference());
            if (pin == null || rated.isEmpty() || rated.getAsDouble() <= 0) {
                continue;
            }
            read++;
            double share = pin / rated.getAsDouble();
            if (share > HEATER_HIGH) {
                high.add(text("%s %s", socket, volts(pin)));
            } else if (share < HEATER_LOW) {
                low.add(text("%s %s", socket, volts(pin)));
            }
        }
        if (read == 0) {
            return Judged.open("Read heater volts on the pins.");
        }
        if (high.isEmpty() && low.isEmpty()) {
            return new Judged(Verdict.GOOD, read + (read == 1 ? " heater" : " heaters") + " within 10 %.");
        }
        if (scene.series()) {
            return high.isEmpty()
                    ? new Judged(
                            Verdict.DOUBT,
                            "All that differ are low (" + String.join(", ", low)
                                    + "): still warming, a low line, or too much in series.")
                    : new Judged(
                            Verdict.BAD,
                            "High in the string: " + String.join(", ", high)
                                    + ". There its contact is bad, or a wrong tube sits in it; the others read low because of"
                                    + " it. While the string is cold it reads unevenly too: wait a minute and read again.");
        }
        return new Judged(
                Verdict.BAD,
                (low.isEmpty()
                                ? ""
                                : "Low on the pins: " + String.join(", ", low)
                                        + ". If its tags read right, the contact between tag and pin is bad: clean and reseat. ")
                        + (high.isEmpty()
                                ? ""
                                : "High: " + String.join(", ", high) + ": line over the tap, or a wrong tap."));
    }

    private static Judged judgeIdle(PowerChecked made) {
        Double set = made.figures().get("set");
        Double line = made.figures().get("line");
        String glow = made.answers().getOrDefault("glow", "");
        if (set == null || line == null || line <= 0) {
            return Judged.open("Read set volts and line volts.");
        }
        double share = set / line;
        if (share >= 0.93 && !glow.equals("bright")) {
            return new Judged(
                    Verdict.GOOD,
                    text(
                            "The set has %s of %s: the transformer idles, no turns of weight are shorted.",
                            volts(set), volts(line)));
        }
        return new Judged(
                share < 0.8 || glow.equals("bright") ? Verdict.BAD : Verdict.DOUBT,
                text(
                        "The set has only %s of %s with nothing in its sockets%s: shorted turns, or a short across a winding."
                                + " Lift the windings one by one before a tube goes in.",
                        volts(set), volts(line), glow.isEmpty() ? "" : ", lamp " + glow));
    }

    /** Touch current is the volts across a resistor in place of a body, over its ohms. */
    private static Judged judgeChassis(SetFile file, PowerChecked made) {
        double most = made.figures().entrySet().stream()
                .filter(e -> !e.getKey().equals("ohms"))
                .mapToDouble(e -> Math.abs(e.getValue()))
                .max()
                .orElse(Double.NaN);
        String isolated = made.answers().getOrDefault("isolated", "");
        if (Double.isNaN(most)) {
            return Judged.open("Read chassis to earth.");
        }
        if (!isolated.equals("bypassed")) {
            return new Judged(
                    Verdict.NO_EXPECTATION,
                    isolated.isEmpty()
                            ? "Say first whether the isolation transformer was bypassed: behind one this proves nothing."
                            : "Read behind an isolation transformer: harmless whatever the fault, so it proves nothing.");
        }
        double ohms = made.figures().getOrDefault("ohms", 0.0);
        if (!(ohms > 0)) {
            return Judged.open(
                    "Say which resistor stood across the meter; without one a meter reads what leaks through the air.");
        }
        long ways =
                made.figures().keySet().stream().filter(k -> !k.equals("ohms")).count();
        double amperes = most / ohms;
        double limit = file.policy().touchAmperes();
        String figure = text(
                "%s over %s: %s",
                volts(most), Engineering.round(ohms, Unit.OHM), Engineering.print(amperes, Unit.AMPERE));
        if (amperes <= limit) {
            return ways == 4
                    ? new Judged(
                            Verdict.GOOD,
                            figure + " at most, under the house's " + Engineering.print(limit, Unit.AMPERE) + ".")
                    : Judged.open(figure + " so far; read all four: on and off, both plug ways.");
        }
        return new Judged(
                Verdict.BAD,
                figure + ", over the house's " + Engineering.print(limit, Unit.AMPERE) + ". "
                        + (file.set().construction().liveChassis()
                                ? "First the plug's way and the set's own design: its chassis may be live. Then a capacitor from"
                                        + " line to chassis, then a tube leaking from heater to cathode."
                                : "First a capacitor from line to chassis, then a winding, then a rectifier tube that leaks from"
                                        + " heater or plate."));
    }

    private static Judged judgeResponse(PowerChecked made) {
        String hum = made.answers().getOrDefault("hum", "");
        String volume = made.answers().getOrDefault("volume", "");
        if (hum.isEmpty() && volume.isEmpty()) {
            return Judged.open("Listen, then turn the volume.");
        }
        if (volume.equals("is heard")) {
            return new Judged(
                    Verdict.GOOD, "From the volume control on it passes sound: audio stages, output and speaker.");
        }
        if (!made.answers().getOrDefault("switches", "").equals("yes")) {
            return new Judged(
                    Verdict.NO_EXPECTATION,
                    "Not dead yet: try every switch and band first, standby and phono among them.");
        }
        return switch (hum) {
            case "faint" ->
                new Judged(
                        Verdict.DOUBT,
                        "Faint hum, and the volume does nothing: output stage and speaker work; look between volume control"
                                + " and output grid. A field-coil speaker may hum by its coil alone.");
            case "loud" ->
                new Judged(Verdict.DOUBT, "Loud hum: a filter capacitor that has dried out, or a grid that is open.");
            default ->
                new Judged(
                        Verdict.DOUBT,
                        "No hum at all: no B+ at the output, its transformer, or the speaker. Read B+ first.");
        };
    }

    /** What the checks prove: a good one credits its parts, a bad touch current is the set's own. */
    static List<Observation> observations(SetFile file) {
        List<Observation> seen = new ArrayList<>();
        for (EvidenceLog.Standing<PowerChecked> s : file.log().standing(PowerChecked.class)) {
            Judged judged = judge(file, s.fact());
            boolean good = judged.verdict() == Verdict.GOOD;
            if (good || judged.verdict() == Verdict.BAD && s.fact().check().equals("chassis")) {
                claims(file, s.fact())
                        .forEach(claim -> seen.add(new Observation(
                                claim,
                                good ? Observation.Word.SOUND : Observation.Word.FAILED,
                                claim.subject().equals(BenchSet.WHOLE) ? Strength.ISOLATED : Strength.IN_CIRCUIT,
                                false,
                                s.at(),
                                "",
                                judged.says(),
                                s.entry().author(),
                                List.of(s.id()))));
            }
        }
        return seen;
    }

    private static List<Claim> claims(SetFile file, PowerChecked made) {
        List<String> power = file.set().parts().stream()
                .filter(p -> p.card().model().equals("XFMR")
                        && p.description().toLowerCase(Locale.ROOT).contains("mains"))
                .map(Part::reference)
                .toList();
        return switch (made.check()) {
            case "chassis" -> List.of(new Claim(BenchSet.WHOLE, Aspect.TOUCH_CURRENT));
            case "idle" ->
                power.stream()
                        .map(ref -> new Claim(ref, Aspect.NO_HEAVY_SHORTED_TURNS))
                        .toList();
            case "plates" ->
                power.stream()
                        .map(ref -> new Claim(ref, Aspect.HIGH_VOLTAGE_CONTINUITY))
                        .toList();
            case "heaters" ->
                made.figures().keySet().stream()
                        .map(key -> file.set().tubeOf(key.substring(key.indexOf('.') + 1)))
                        .map(tube -> new Claim(tube, Aspect.HEATER_WHOLE))
                        .toList();
            default -> List.of();
        };
    }

    static List<Act> acts(SetFile file) {
        return of(file).stream()
                .filter(check -> !check.proves().isEmpty()
                        && check.proves().stream()
                                .anyMatch(c -> file.ledger().of(c).isEmpty()))
                .map(check -> new Act(
                        PowerArea.ID + ":check:" + check.id(),
                        check.id(),
                        check.title() + ", both plug ways",
                        "What a hand on the chassis would feel is measured, not believed.",
                        check.proves(),
                        5,
                        Plug.IN,
                        Act.Urgency.USUAL))
                .toList();
    }

    private static String volts(double volts) {
        return Engineering.print(volts, Unit.VOLT);
    }

    private static String text(String format, Object... figures) {
        return String.format(Locale.ROOT, format, figures);
    }
}
