package org.umberdial.core.guide;

import java.util.ArrayList;
import java.util.Comparator;
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

/**
 * What to do next at a set, and what is in the way.
 *
 * <p>What does harm comes first; then the work in its order, except that a set under power is read on before the plug
 * is pulled for a test that can wait. While a stop of the power gate is open nothing is proposed that needs the plug
 * in; while the hands-in gate is shut, what opens it comes before whatever needs a hand inside.
 *
 * @param acts what may be done, the best first
 * @param barred what would be offered if its gate were open
 * @param stops what is in the way, what is wrong before what nobody has looked at
 */
public record Guide(List<Act> acts, List<Act> barred, List<Stop> stops) {
    /** The guide of a set. */
    public static Guide of(SetFile file) {
        return file.once(Guide.class, () -> reckon(file));
    }

    private static Guide reckon(SetFile file) {
        Set<String> decided = file.decided();
        List<Stop> stops = file.areas().stream()
                .flatMap(area -> area.stops(file).stream())
                .filter(stop -> stop.bad() || !decided.contains(stop.id()))
                .sorted(Comparator.comparing((Stop stop) -> !stop.bad()))
                .toList();
        boolean powerShut = shut(stops, Gate.POWER);
        boolean handsShut = shut(stops, Gate.HANDS_IN);
        List<Ranked> ranked = new ArrayList<>();
        boolean readOn = file.underPowerNow() && !powerShut;
        for (int stage = 0; stage < file.areas().size(); stage++) {
            Area area = file.areas().get(stage);
            int place = 0;
            for (Act act : area.acts(file)) {
                boolean opens = handsShut
                        && stops.stream()
                                .anyMatch(stop -> stop.gate() == Gate.HANDS_IN
                                        && stop.act().equals(act.id()));
                ranked.add(new Ranked(act, opens, readOn && act.plug() == Plug.IN, stage, place++));
            }
        }
        ranked.sort(Comparator.comparing((Ranked r) -> r.act.urgency())
                .thenComparing(r -> !r.readOn)
                .thenComparing(r -> r.stage)
                .thenComparing(r -> !r.opens)
                .thenComparing(r -> r.place));
        List<Act> acts = new ArrayList<>();
        List<Act> barred = new ArrayList<>();
        for (Ranked r : ranked) {
            boolean shut =
                    r.act.plug() == Plug.IN && powerShut || r.act.plug() == Plug.OUT_HANDS_IN && handsShut && !r.opens;
            (shut ? barred : acts).add(r.act);
        }
        barred.stream()
                .filter(act -> act.plug() == Plug.OUT_HANDS_IN)
                .findFirst()
                .ifPresent(first -> acts.replaceAll(act -> opens(stops, act) ? leadingTo(act, first) : act));
        return new Guide(List.copyOf(acts), List.copyOf(barred), stops);
    }

    private static boolean opens(List<Stop> stops, Act act) {
        return stops.stream()
                .anyMatch(stop -> stop.gate() == Gate.HANDS_IN && stop.act().equals(act.id()));
    }

    private static Act leadingTo(Act act, Act then) {
        return new Act(
                act.id(),
                act.subject(),
                act.title(),
                act.why() + " Then: " + then.title(),
                act.proves(),
                act.minutes(),
                act.plug(),
                act.urgency());
    }

    private record Ranked(Act act, boolean opens, boolean readOn, int stage, int place) {}

    private static boolean shut(List<Stop> stops, Gate gate) {
        return stops.stream().anyMatch(stop -> stop.gate() == gate);
    }

    /** The one next act; empty when nothing is left, or nothing may be done before something is settled. */
    public Optional<Act> next() {
        return acts.stream().findFirst();
    }

    /** The next act of one area. */
    public Optional<Act> next(String area) {
        return acts.stream().filter(act -> act.area().equals(area)).findFirst();
    }

    public boolean open(Gate gate) {
        return !shut(stops, gate);
    }

    public List<Stop> stops(Gate gate) {
        return stops.stream().filter(stop -> stop.gate() == gate).toList();
    }

    /** Whether some act would settle a claim. */
    public boolean settles(Claim claim) {
        return acts.stream().anyMatch(act -> act.proves().contains(claim));
    }
}
