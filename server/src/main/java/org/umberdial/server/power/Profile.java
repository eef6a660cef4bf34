package org.umberdial.server.power;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * How a kind of instrument is spoken to, in SCPI.
 *
 * @param reads queries by what is watched: {@code set}, {@code amps}, {@code watts}, {@code line}, {@code lamp} (watts)
 * @param channels query of one supply point, {@code {0}} its channel from 101 on; empty when it reads none
 * @param setVolts command that sets the line, {@code {0}} the volts; empty when it cannot
 * @param lamps command that puts lamps in series, {@code {0}} their watts with commas between
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
        String bypass) {
    private static final List<Profile> ALL = load();

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

    /** Whether it can take the power away. */
    public boolean switches() {
        return !off.isEmpty();
    }
}
