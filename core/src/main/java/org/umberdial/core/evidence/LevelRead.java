package org.umberdial.core.evidence;

/**
 * The level that a place of a receiver needed for a power at the speaker.
 *
 * @param point id of the place: {@code V2:INTERMEDIATE}
 * @param title as it was called, for the log
 * @param volts what the generator gave there, RMS [V]
 * @param watts at the speaker [W]
 */
public record LevelRead(String point, String title, double volts, double watts) implements Fact {
    public LevelRead {
        if (!(volts > 0 && volts < 1000 && watts > 0 && watts < 1000)) {
            throw new IllegalArgumentException("a level is some volts for some watts: " + volts + ", " + watts);
        }
    }

    @Override
    public String subject() {
        return point.substring(0, Math.max(0, point.indexOf(':')));
    }

    @Override
    public String sentence() {
        return "Level at " + title + ": " + volts + " V for " + watts + " W at the speaker";
    }
}
