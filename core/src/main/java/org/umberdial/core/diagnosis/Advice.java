package org.umberdial.core.diagnosis;

import java.util.Map;
import java.util.Optional;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.role.RoleLibrary;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** Says a diagnosis in words: what it comes to, how a suspect is proven or cleared, what comes of leaving it. */
public final class Advice {
    private static final double SURE = 0.9;
    private static final double LIKELY = 0.6;

    private static final Map<FaultMode.Kind, String> FAILURES = Map.of(
            FaultMode.Kind.OPEN, "open",
            FaultMode.Kind.SHORTED, "short",
            FaultMode.Kind.LEAKS, "leaky",
            FaultMode.Kind.DRIFTED_UP, "drifted_high",
            FaultMode.Kind.DRIFTED_DOWN, "drifted_low",
            FaultMode.Kind.DRIED_OUT, "dried",
            FaultMode.Kind.WEAK, "weak",
            FaultMode.Kind.DEAD, "dead",
            FaultMode.Kind.GASSY, "gassy",
            FaultMode.Kind.HEATER_OPEN, "open");

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
                    + " drawn, or a reading that slipped. Read the oddest again first.";
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
        return role.flatMap(one -> RoleLibrary.of(one, FAILURES.get(mode.kind())));
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
            case DRIED_OUT -> "Another of the same value across it for a moment, or a meter for capacitors.";
            case OPEN, DRIFTED_UP, DRIFTED_DOWN ->
                "Plug out, empty: its ohms; more than marked is proof in circuit, less only with a lead lifted.";
            case WEAK, DEAD, GASSY -> "Another tube of its type in its place, or a tube tester.";
            case HEATER_OPEN -> "Plug out: ohms from heater pin to heater pin of the tube, out of its socket.";
        };
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
                .map(one -> set.nameOf(one.node()) + (one.above() ? " above " : " below ")
                        + Engineering.round(one.volts(), Unit.VOLT) + " clears "
                        + suspect.fault().subject() + ".")
                .orElse("");
    }

    /** What to do next, in words. */
    public String words(Diagnosis.Probe probe) {
        return probe.node().isEmpty()
                ? "Test " + probe.part() + " by itself, plug out"
                : "Read " + set.nameOf(probe.node());
    }

    private static String sentence(String words) {
        if (words.isBlank()) {
            return "";
        }
        String text = Character.toUpperCase(words.charAt(0)) + words.substring(1);
        return text.endsWith(".") ? text : text + ".";
    }
}
