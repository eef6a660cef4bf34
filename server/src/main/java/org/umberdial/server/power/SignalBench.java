package org.umberdial.server.power;

import java.io.IOException;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.umberdial.core.value.InvalidEntry;

/** Generator and meters of an alignment that answer on the shop's network. */
@Service
public class SignalBench {
    private final Switches switches;

    SignalBench(Switches switches) {
        this.switches = switches;
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
            try (ScpiClient client = new ScpiClient(link.host(), link.port())) {
                client.tell(profile.frequency().replace("{0}", String.format(Locale.ROOT, "%.1f", hertz)));
                client.tell(profile.level().replace("{0}", String.format(Locale.ROOT, "%.4e", volts)));
                if (!profile.place().isEmpty()) {
                    client.tell(profile.place()
                            .replace("{0}", word(feed))
                            .replace("{1}", String.format(Locale.ROOT, "%.1f", dial))
                            .replace("{2}", band.isEmpty() ? "NONE" : word(band)));
                }
            } catch (IOException e) {
                throw refused(link, e);
            }
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
                try (ScpiClient client = new ScpiClient(link.host(), link.port())) {
                    client.tell(link.profile()
                            .turn()
                            .replace("{0}", word(core))
                            .replace("{1}", String.format(Locale.ROOT, "%.3f", turns)));
                } catch (IOException e) {
                    throw refused(link, e);
                }
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
            try (ScpiClient client = new ScpiClient(link.host(), link.port())) {
                for (Map.Entry<String, String> query : link.profile().reads().entrySet()) {
                    shown.put(query.getKey(), client.ask(query.getValue()));
                }
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
