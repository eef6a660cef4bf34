package org.umberdial.server.power;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import com.github.benmanes.caffeine.cache.RemovalCause;
import com.github.benmanes.caffeine.cache.Scheduler;
import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.umberdial.core.value.InvalidEntry;

/** Generator and meters of an alignment that answer on the shop's network. */
@Service
public class SignalBench {
    /** Every instrument of SCPI answers it with 1 when what was told before is done. */
    private static final String DONE = "*OPC?";

    /** Meters are asked several times a second; whoever is not asked any more is let go. */
    private static final Duration KEPT = Duration.ofSeconds(15);

    private final Switches switches;
    private final Cache<String, ScpiClient> clients = Caffeine.newBuilder()
            .expireAfterAccess(KEPT)
            .scheduler(Scheduler.systemScheduler())
            .removalListener((String link, ScpiClient client, RemovalCause why) -> {
                if (client != null) {
                    synchronized (client) {
                        client.close();
                    }
                }
            })
            .build();

    SignalBench(Switches switches) {
        this.switches = switches;
    }

    /** What is said to one instrument. */
    private interface Talk<T> {
        T with(ScpiClient client) throws IOException;
    }

    /** One talk at a time; a connection that was left open and has died meanwhile is opened anew once. */
    private <T> T talk(Link link, Talk<T> talk) throws IOException {
        ScpiClient client =
                clients.get(link.id() + link.host() + link.port(), key -> new ScpiClient(link.host(), link.port()));
        synchronized (client) {
            try {
                client.ask(DONE);
            } catch (IOException died) {
                client.ask(DONE);
            }
            // What turns or sets is told once: told again it might be done twice.
            return talk.with(client);
        }
    }

    /** Tells all of it, and waits until it is done: a dead line takes a command without a word. */
    private void tell(Link link, List<String> commands) {
        try {
            talk(link, client -> {
                for (String command : commands) {
                    client.tell(command);
                }
                return client.ask(DONE);
            });
        } catch (IOException e) {
            throw refused(link, e);
        }
    }

    /** @param generator whether something can be set, @param turns whether cores are turned from here */
    public record Can(boolean generator, boolean meter, boolean turns) {}

    /** What there is on the network. */
    public Can can(String shopId) {
        List<Profile> profiles =
                switches.links(shopId).stream().map(Link::profile).toList();
        return new Can(
                profiles.stream().anyMatch(p -> !p.frequency().isEmpty()),
                profiles.stream().anyMatch(SignalBench::reads),
                profiles.stream().anyMatch(p -> !p.turn().isEmpty()));
    }

    private static boolean reads(Profile profile) {
        return !profile.ofPower() && !profile.reads().isEmpty();
    }

    /**
     * Sets the generator.
     *
     * @param feed where it is put, @param dial in hertz and @param band, for a stand-in that is to know them
     * @throws InvalidEntry when it does not obey
     */
    public void give(String shopId, double hertz, double volts, String feed, double dial, String band) {
        for (Link link : switches.links(shopId)) {
            Profile profile = link.profile();
            if (profile.frequency().isEmpty()) {
                continue;
            }
            List<String> commands = new ArrayList<>(List.of(
                    profile.frequency().replace("{0}", String.format(Locale.ROOT, "%.1f", hertz)),
                    profile.level().replace("{0}", String.format(Locale.ROOT, "%.4e", volts))));
            if (!profile.place().isEmpty()) {
                commands.add(profile.place()
                        .replace("{0}", word(feed))
                        .replace("{1}", String.format(Locale.ROOT, "%.1f", dial))
                        .replace("{2}", band.isEmpty() ? "NONE" : word(band)));
            }
            tell(link, commands);
        }
    }

    /** What somebody named, without what a line of commands would take for its own. */
    private static String word(String name) {
        return name.replaceAll("[^A-Za-z0-9 ._-]", "_");
    }

    /**
     * Turns a core of a stand-in.
     *
     * @throws InvalidEntry when it does not obey
     */
    public void turn(String shopId, String core, double turns) {
        for (Link link : switches.links(shopId)) {
            if (!link.profile().turn().isEmpty()) {
                tell(
                        link,
                        List.of(link.profile()
                                .turn()
                                .replace("{0}", word(core))
                                .replace("{1}", String.format(Locale.ROOT, "%.3f", turns))));
            }
        }
    }

    /**
     * What the meters show, by {@code output}, {@code avc}, {@code stabiliser}, {@code balance}; one that does not
     * answer is left out.
     */
    public Map<String, Double> read(String shopId) {
        Map<String, Double> shown = new HashMap<>();
        for (Link link : switches.links(shopId)) {
            if (!reads(link.profile())) {
                continue;
            }
            try {
                shown.putAll(talk(link, client -> {
                    Map<String, Double> read = new HashMap<>();
                    for (Map.Entry<String, String> query :
                            link.profile().reads().entrySet()) {
                        read.put(query.getKey(), client.ask(query.getValue()));
                    }
                    return read;
                }));
            } catch (IOException away) {
                // What it would have shown is missing on the screen, and that is said there.
            }
        }
        return shown;
    }

    private static InvalidEntry refused(Link link, IOException e) {
        return new InvalidEntry(
                InvalidEntry.Code.CONFLICT, link.name() + " does not obey: it " + Switches.words(e) + ".");
    }
}
