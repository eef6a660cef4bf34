package org.umberdial.core.diagnosis;

import java.util.EnumSet;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.role.RoleLibrary;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;

/** Says a diagnosis in words: what it comes to, how a suspect is proven or cleared, what comes of leaving it. */
public final class Advice {
    /** What is tried by something good in its place. */
    private static final Set<FaultMode.Kind> SWAPPED =
            EnumSet.of(FaultMode.Kind.WEAK, FaultMode.Kind.DEAD, FaultMode.Kind.GASSY, FaultMode.Kind.DRIED_OUT);

    private static final double SURE = 0.9;
    private static final double LIKELY = 0.6;
    /** What is believed less is not worth naming beside something nobody reckoned. */
    private static final double NEAR = 0.02;

    private final BenchSet set;
    private final PartRoles roles;

    public Advice(BenchSet set) {
        this.set = set;
        roles = new PartRoles(set.cards(), set.tubes().data());
    }

    /** What it comes to, and how sure that is. */
    public String verdict(Diagnosis diagnosis, int read) {
        if (read == 0) {
            return "Nothing was read yet. The point below tells most.";
        }
        if (diagnosis.looksHealthy()) {
            return "These readings are those of a healthy set within its tolerances"
                    + (diagnosis.healthy() < SURE ? ", as far as they go." : ".");
        }
        double top =
                diagnosis.suspects().isEmpty() ? 0 : diagnosis.suspects().get(0).posterior();
        if (diagnosis.unknown() > top) {
            return "No single fault that was reckoned explains these readings: two at once, a wrong wire, a part that is not"
                    + " drawn, or a reading that slipped. Read the oddest again first."
                    + (top >= NEAR
                            ? " The nearest of what was reckoned: "
                                    + diagnosis.suspects().get(0).says() + "."
                            : "");
        }
        Diagnosis.Suspect first = diagnosis.suspects().get(0);
        String alike =
                first.alike().isEmpty() ? "" : " No voltage tells it from " + String.join(", ", first.alike()) + ".";
        boolean drawn = set.parts().stream().noneMatch(Part::unconfirmed);
        return (!drawn
                        ? "If the drawing, of which some values are only usual, is right: "
                        : top >= SURE
                                ? "Most likely: "
                                : top >= LIKELY ? "Likely: " : "Not settled yet; before all others: ")
                + first.says() + "." + alike;
    }

    /** What the part does, with the tube it serves; empty where the network does not say. */
    public String role(FaultMode mode) {
        return roles.phrase(mode.part()).orElse("");
    }

    private Optional<RoleLibrary.Failure> failure(FaultMode mode) {
        Optional<NetworkRole> role = roles.role(mode.part());
        return role.flatMap(one -> RoleLibrary.of(one, mode.kind().failure()));
    }

    /** The test that proves it. */
    public String confirm(FaultMode mode) {
        return failure(mode).map(one -> sentence(one.confirmBy())).orElseGet(() -> usualTest(mode));
    }

    private static String usualTest(FaultMode mode) {
        return switch (mode.kind()) {
            case LEAKS, SHORTED ->
                mode.part().startsWith("C")
                        ? "Plug out, empty: one lead lifted, its leak at its own volts."
                        : "Plug out, empty: ohms across it.";
            case DRIED_OUT ->
                "Another of the same value clipped across it, then power: better means it had dried; or its"
                        + " capacitance and ESR with a lead lifted.";
            case OPEN, DRIFTED_UP, DRIFTED_DOWN ->
                "Plug out, empty: its ohms; more than marked is proof in circuit, less only with a lead lifted.";
            case WEAK, DEAD, GASSY ->
                "Another tube of its type in its place, then power and read again; or a tube tester.";
            case HEATER_OPEN -> "Plug out: ohms from heater pin to heater pin of the tube, out of its socket.";
        };
    }

    /**
     * The same as an act, from switching off on. Where the trade does it with power or without, without: what is
     * swapped or clipped on is so with the plug out.
     */
    public String confirmAct(FaultMode mode) {
        boolean swapped = SWAPPED.contains(mode.kind());
        String test = swapped ? usualTest(mode) : confirm(mode);
        if (test.toLowerCase(Locale.ROOT).startsWith("on:")) {
            return "For " + mode.subject() + ", once nothing bars power: "
                    + sentence(test.replaceFirst("(?i)^on: *", ""))
                    + " Leads and tubes are moved with the plug out only.";
        }
        String off = test.replaceFirst("(?i)^(plug out, empty|plug out|off): *", "")
                .replaceFirst("(?i)[,;]?( or| then)? on: .*", "");
        return sentence("Switch off, pull the plug, discharge. Then " + mode.subject() + ": "
                + Character.toLowerCase(off.charAt(0)) + off.substring(1));
    }

    /** What else settles it at the bench, with power on a wrong point; empty when nothing does. */
    public String tells(FaultMode mode, String point) {
        boolean blocks = mode.part().startsWith("C")
                && (mode.kind() == FaultMode.Kind.LEAKS || mode.kind() == FaultMode.Kind.SHORTED);
        return blocks
                ? "Or, once nothing bars power, read " + point + " again with one lead of " + mode.part()
                        + " lifted, typed with “" + mode.part() + " lifted”: right again proves it, as wrong as before"
                        + " clears it."
                : tellApart(mode);
    }

    /** How it differs from what looks like it; empty where nothing is known. */
    public String tellApart(FaultMode mode) {
        return failure(mode).map(one -> sentence(one.tellApart())).orElse("");
    }

    /** What comes of leaving it. */
    public String ignored(FaultMode mode) {
        return failure(mode)
                .map(one -> sentence(one.heard())
                        + (one.danger().contains("none") || one.danger().isEmpty()
                                ? ""
                                : " Danger: " + String.join(", ", one.danger()).replace('_', ' ') + "."))
                .orElse(
                        switch (mode.kind()) {
                            case LEAKS, SHORTED -> "A leak grows as it warms; what feeds it burns.";
                            case DRIFTED_UP, DRIFTED_DOWN -> "It drifts on; what it sets goes with it.";
                            case OPEN, HEATER_OPEN, DEAD -> "Its stage stays dead.";
                            case DRIED_OUT -> "Hum, and less volts.";
                            case WEAK -> "Less and less of everything.";
                            case GASSY -> "Its grid runs away when warm, and it takes what it feeds along.";
                        });
    }

    /** What would clear it; empty when nothing that is left to read would. */
    public String acquits(Diagnosis.Suspect suspect) {
        return suspect.acquits()
                .map(one -> set.nameOf(one.spot().node()) + one.spot().suffix() + (one.above() ? " above " : " below ")
                        + one.spot().text(one.shown()) + " clears "
                        + suspect.fault().subject() + ".")
                .orElse("");
    }

    /** What to do next, in words. */
    public String words(Diagnosis.Probe probe) {
        return probe.spot()
                .map(spot -> spot.asks(set.nameOf(spot.node())))
                .orElseGet(() -> "Test " + probe.part() + " by itself, plug out");
    }

    private static String sentence(String words) {
        if (words.isBlank()) {
            return "";
        }
        String text = Character.toUpperCase(words.charAt(0)) + words.substring(1);
        return text.endsWith(".") ? text : text + ".";
    }
}
