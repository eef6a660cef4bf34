package org.umberdial.core.arrival;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.volts.NextAct;

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
     * The next act of arrival, in the order that loses least: pictures before anything is touched, then the supply that
     * decides what can be plugged in, then the owner's words, then the walk. Empty when nothing is left, or when the
     * set has been under power and nothing stands in the way of more.
     */
    public Optional<NextAct> next() {
        List<Inspection.Finding> stops = inspection.stops();
        if (powered) {
            return stops.isEmpty() ? Optional.empty() : Optional.of(stop(stops));
        }
        if (photos == 0) {
            return act(
                    "photograph",
                    "Photograph the set before you touch it",
                    "The power supply most of all: wire routes, positions and small parts cannot be proved later.");
        }
        if (supply.taps().isEmpty()
                && inspection.areas().stream().noneMatch(area -> area.name().equals("battery"))) {
            return act(
                    "supply-label",
                    "Read the supply label",
                    "Voltage, frequency and watts decide whether it may meet the local line at all.");
        }
        if (complaints.told().isEmpty()) {
            return act(
                    "ask-owner",
                    "Write down what the owner says, word for word",
                    "Each symptom, and each thing that still works, is evidence about definite parts.");
        }
        Optional<Inspection.Area> area = inspection.nextArea();
        if (area.isPresent()) {
            long left = inspection.areas().stream().filter(a -> !a.looked()).count();
            return act(
                    "inspect",
                    "Look at: " + area.get().name(),
                    left == 1
                            ? "The last area of the walk."
                            : left + " areas of the walk are left; a look costs nothing and finds what power would.");
        }
        if (!stops.isEmpty()) {
            return Optional.of(stop(stops));
        }
        return parts == 0
                ? act(
                        "parts",
                        "Enter its parts, or start from a usual circuit",
                        "Nothing can be expected of a set whose circuit is not known.")
                : Optional.empty();
    }

    private static NextAct stop(List<Inspection.Finding> stops) {
        Inspection.Finding first = stops.get(0);
        String more = stops.size() == 1 ? "" : " " + (stops.size() - 1) + " more must be settled before power.";
        String act = first.row().followUp();
        return new NextAct(
                "settle-stop",
                "",
                Character.toUpperCase(act.charAt(0)) + act.substring(1),
                "Found at the " + first.row().area() + ": " + first.row().lookFor() + "; "
                        + first.row().means() + "." + more,
                false);
    }

    private static Optional<NextAct> act(String rule, String title, String reason) {
        return Optional.of(new NextAct(rule, "", title, reason, false));
    }
}
