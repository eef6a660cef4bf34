package org.umberdial.server.power;

import java.io.IOException;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.umberdial.core.power.PowerStep;
import org.umberdial.core.value.Engineering;
import org.umberdial.server.power.internal.LinkTables;

/** What of a shop's instruments can be set and switched: the line supply and the lamps. */
@Service
public class Switches {
    private static final int MOST_TRIES = 3;

    private final LinkTables tables;

    public Switches(LinkTables tables) {
        this.tables = tables;
    }

    public List<Link> links(String shopId) {
        return tables.links(shopId);
    }

    /** Adds an instrument; the same id again changes nothing. */
    public void add(String shopId, Link link) {
        tables.add(shopId, link);
    }

    public boolean remove(String shopId, String id) {
        return tables.remove(shopId, id);
    }

    /** What an instrument says it is, or why it does not answer: a sentence either way. */
    public String identity(Link link) {
        try (ScpiClient client = new ScpiClient(link.host(), link.port())) {
            return "Answers: " + client.identity() + ".";
        } catch (IOException e) {
            return fault(link, e);
        }
    }

    /** Whether a host is one an instrument may be at: this machine or its own network. */
    public static boolean reachable(String host) {
        try {
            return ScpiClient.near(InetAddress.getByName(host));
        } catch (UnknownHostException e) {
            return false;
        }
    }

    /** Whether the power can be taken away from here. */
    public boolean canSwitch(String shopId) {
        return links(shopId).stream().anyMatch(link -> link.profile().switches());
    }

    /**
     * Sets line and lamps for a step, the lamps first.
     *
     * @param switchOn whether the supply is switched on then
     * @return what went wrong, in a sentence
     */
    Optional<String> go(String shopId, PowerStep step, boolean switchOn) {
        for (Link link : links(shopId)) {
            Profile profile = link.profile();
            try (ScpiClient client = new ScpiClient(link.host(), link.port())) {
                if (!profile.lamps().isEmpty()) {
                    client.tell(
                            step.limited()
                                    ? profile.lamps()
                                            .replace(
                                                    "{0}",
                                                    step.lamps().stream()
                                                            .map(Engineering::plain)
                                                            .collect(Collectors.joining(",")))
                                    : profile.bypass());
                }
            } catch (IOException e) {
                return Optional.of(fault(link, e));
            }
        }
        for (Link link : links(shopId)) {
            Profile profile = link.profile();
            try (ScpiClient client = new ScpiClient(link.host(), link.port())) {
                if (!profile.setVolts().isEmpty()) {
                    client.tell(
                            profile.setVolts().replace("{0}", String.format(Locale.ROOT, "%.1f", step.lineVolts())));
                }
                if (switchOn && !profile.on().isEmpty()) {
                    client.tell(profile.on());
                }
            } catch (IOException e) {
                return Optional.of(fault(link, e));
            }
        }
        return Optional.empty();
    }

    private static String fault(Link link, IOException e) {
        return link.name() + " at " + link.host() + ":" + link.port() + " does not obey: it " + words(e) + ".";
    }

    static String words(IOException e) {
        return e instanceof java.net.SocketTimeoutException
                ? "does not answer in time"
                : e instanceof java.net.ConnectException ? "takes no connection" : e.getMessage();
    }

    /**
     * Takes the power away, and makes sure that it is.
     *
     * @return what went wrong, in a sentence
     */
    Optional<String> off(String shopId) {
        return off(links(shopId));
    }

    /** The same for instruments that are known already, where nobody can be asked any more. */
    static Optional<String> off(List<Link> links) {
        List<String> faults = links.stream()
                .filter(link -> link.profile().switches())
                .map(Switches::off)
                .flatMap(Optional::stream)
                .toList();
        return faults.isEmpty() ? Optional.empty() : Optional.of(String.join(" ", faults));
    }

    private static Optional<String> off(Link link) {
        String last = "";
        for (int i = 0; i < MOST_TRIES; i++) {
            try (ScpiClient client = new ScpiClient(link.host(), link.port())) {
                client.tell(link.profile().off());
                if (link.profile().isOn().isEmpty() || client.ask(link.profile().isOn()) == 0) {
                    return Optional.empty();
                }
                last = link.name() + " says that it is still on.";
            } catch (IOException e) {
                last = fault(link, e);
            }
        }
        return Optional.of(last);
    }
}
