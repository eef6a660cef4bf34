package org.umberdial.server.power;

import java.util.List;
import org.umberdial.core.power.Alarm;

/**
 * An alarm as a screen shows it.
 *
 * @param watched id of what shows it; may be empty
 * @param grave whether the power goes off at once, where it can be switched
 * @param unnamed why no part is named; empty when one is
 */
public record RunAlarm(
        Alarm.Kind kind,
        String label,
        double seconds,
        String watched,
        String says,
        boolean grave,
        List<RunSuspect> suspects,
        String unnamed) {
    private static final double MOST_LIKELY = 0.75;
    private static final double LIKELY = 0.3;

    /** @param how likely, in a word or two: the odds are among what was reckoned, and no finer than that */
    public record RunSuspect(String part, String says, String how) {}

    /** Of an alarm as it was raised. */
    public static RunAlarm of(Alarm alarm) {
        return new RunAlarm(
                alarm.kind(),
                alarm.kind().label(),
                alarm.seconds(),
                alarm.watched(),
                alarm.says(),
                alarm.kind().grave(),
                alarm.suspects().stream()
                        .map(s -> new RunSuspect(
                                s.part(),
                                s.says(),
                                s.odds() > MOST_LIKELY ? "most likely" : s.odds() > LIKELY ? "likely" : "perhaps"))
                        .toList(),
                alarm.unnamed());
    }
}
