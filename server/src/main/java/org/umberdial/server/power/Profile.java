package org.umberdial.server.power;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * How a kind of instrument is spoken to, in SCPI.
 *
 * @param reads queries by what is watched: {@code set}, {@code amps}, {@code watts}, {@code line}, {@code lamp} (watts)
 * @param channels query of one supply point, {@code {0}} its channel from 101 on; empty when it reads none
 * @param setVolts command that sets the line, {@code {0}} the volts; empty when it cannot
 * @param lamps command that puts lamps in series, {@code {0}} their watts with commas between
 * @param frequency command that sets a generator, {@code {0}} the hertz; empty when it is none
 * @param level command that sets what it gives, {@code {0}} the volts
 * @param place command that tells a stand-in where the generator is put and where the dial stands: {@code {0}} the
 *     feed, {@code {1}} the dial in hertz, {@code {2}} the band; empty for anything real
 * @param turn command that turns a core of a stand-in, {@code {0}} its name, {@code {1}} the turns
 */
public record Profile(
        String id,
        String name,
        String does,
        Map<String, String> reads,
        String channels,
        String setVolts,
        String on,
        String off,
        String isOn,
        String lamps,
        String bypass,
        String frequency,
        String level,
        String place,
        String turn) {
    /** What power is watched by. */
    private static final Set<String> OF_POWER = Set.of("line", "set", "amps", "watts", "lamp");

    private static final List<Profile> ALL = load();

    public Profile {
        // The table leaves out what an instrument does not do.
        channels = orEmpty(channels);
        setVolts = orEmpty(setVolts);
        on = orEmpty(on);
        off = orEmpty(off);
        isOn = orEmpty(isOn);
        lamps = orEmpty(lamps);
        bypass = orEmpty(bypass);
        frequency = orEmpty(frequency);
        level = orEmpty(level);
        place = orEmpty(place);
        turn = orEmpty(turn);
    }

    private static String orEmpty(String command) {
        return command == null ? "" : command;
    }

    private static List<Profile> load() {
        try (InputStream in = Profile.class.getResourceAsStream("profiles.json")) {
            return List.copyOf(JsonMapper.builder().build().readValue(in, new TypeReference<List<Profile>>() {}));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static List<Profile> all() {
        return ALL;
    }

    public static Optional<Profile> named(String id) {
        return ALL.stream().filter(p -> p.id.equals(id)).findFirst();
    }

    /** Whether it has to do with power: gives, limits or measures it. */
    public boolean ofPower() {
        return switches()
                || !lamps.isEmpty()
                || !channels.isEmpty()
                || reads.keySet().stream().anyMatch(OF_POWER::contains);
    }

    /** Whether it can take the power away. */
    public boolean switches() {
        return !off.isEmpty();
    }
}
