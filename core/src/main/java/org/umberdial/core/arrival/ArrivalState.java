package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Plug;
import org.umberdial.core.set.SupplyLabel;

/**
 * How far the taking-in of a set is.
 *
 * @param photos how many pictures there are
 * @param supply what its label says
 * @param findings of the label against the local supply
 * @param parts how many parts its circuit has
 * @param powered whether it has been measured under power already
 */
public record ArrivalState(
        int photos,
        SupplyLabel supply,
        List<SupplyFinding> findings,
        Inspection inspection,
        Complaints complaints,
        TakeApart register,
        int parts,
        boolean powered) {
    /**
     * What arrival would do next, in the order that loses least: pictures before anything is touched, then the supply
     * that decides what can be plugged in, then the owner's words, then the walk. Empty when nothing is left, or when
     * the set has been under power and nothing stands in the way of more.
     */
    public List<Act> acts() {
        List<Act> acts = new ArrayList<>();
        if (!powered && photos == 0) {
            acts.add(act(
                    "photograph",
                    "Photograph the set before you touch it",
                    "The power supply most of all: wire routes, positions and small parts cannot be proved later.",
                    Act.Urgency.USUAL));
        }
        Optional<Act> stop = inspection.stops().stream().findFirst().map(this::stop);
        // What was found wrong comes first in a set that was on already; before that the walk is finished first.
        stop.filter(act -> powered).ifPresent(acts::add);
        if (supply.taps().isEmpty()
                && inspection.areas().stream().noneMatch(area -> area.name().equals("battery"))) {
            acts.add(act(
                    "supply-label",
                    "Read the supply label",
                    "Voltage, frequency and watts decide whether it may meet the local line at all.",
                    Act.Urgency.USUAL));
        }
        if (!powered) {
            wordsAndWalk(acts);
        }
        stop.filter(act -> !powered).ifPresent(acts::add);
        if (!powered && parts == 0) {
            acts.add(act(
                    "parts",
                    "Enter its parts, or start from a usual circuit",
                    "Nothing can be expected of a set whose circuit is not known.",
                    Act.Urgency.LAST));
        }
        return List.copyOf(acts);
    }

    private void wordsAndWalk(List<Act> acts) {
        if (complaints.told().isEmpty()) {
            acts.add(act(
                    "ask-owner",
                    "Write down what the owner says, word for word",
                    "Each symptom, and each thing that still works, is evidence about definite parts.",
                    Act.Urgency.USUAL));
        }
        Optional<Inspection.Area> area = inspection.nextArea();
        if (area.isPresent()) {
            long left = inspection.areas().stream().filter(a -> !a.looked()).count();
            acts.add(act(
                    "inspect",
                    lookAt(area.get().name()),
                    left == 1
                            ? "The last area of the walk."
                            : left + " areas of the walk are left; a look costs nothing and finds what power would.",
                    Act.Urgency.USUAL));
        }
    }

    private static String lookAt(String area) {
        return switch (area) {
            case "before opening" -> "Look it over before opening";
            case "vermin" -> "Look for what lived in it";
            case "first-power readiness" -> "Check that it is ready for first power";
            default -> "Inspect the " + area;
        };
    }

    /** The first of {@link #acts}. */
    public Optional<Act> next() {
        return acts().stream().findFirst();
    }

    private Act stop(Inspection.Finding first) {
        int others = inspection.stops().size() - 1;
        String more = others == 0 ? "" : " " + others + " more must be settled before power.";
        String act = first.row().followUp();
        return act(
                "settle-stop",
                Character.toUpperCase(act.charAt(0)) + act.substring(1),
                "Found at the " + first.row().area() + ": " + first.row().lookFor() + "; "
                        + first.row().means() + "." + more,
                Act.Urgency.USUAL);
    }

    private static Act act(String rule, String title, String why, Act.Urgency urgency) {
        return new Act("arrival:" + rule, "", title, why, List.of(), 0, Plug.OUT, urgency);
    }
}
