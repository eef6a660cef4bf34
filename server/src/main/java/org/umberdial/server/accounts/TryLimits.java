package org.umberdial.server.accounts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.umberdial.server.accounts.internal.TryTables;
import org.umberdial.server.problem.Problem;

/**
 * How often somebody may be wrong. Tries are counted by name and address, by name, by shop and by address; past a
 * number of free ones the next must wait, longer with each, and is not even looked at before. Tries from a device that
 * has been in before are counted by themselves, so that a flood from elsewhere does not keep an owner out (OWASP calls
 * it a device cookie); a one-time link is always a way in.
 */
@Component
class TryLimits {
    /** Tries without a name: redeeming a link. */
    static final String BY_LINK = "(link)";

    private static final Duration WITHIN = Duration.ofMinutes(15);
    private static final Duration FORGOTTEN_AFTER = Duration.ofDays(1);
    private static final int FREE_FROM_HERE = 5;
    private static final int FREE_FOR_NAME = 20;
    private static final int FREE_FOR_ADDRESS = 30;
    private static final int FREE_FOR_SHOP = 100;
    private static final Duration LONGEST_FROM_HERE = Duration.ofMinutes(15);
    private static final Duration LONGEST_FROM_ALL = Duration.ofSeconds(60);
    private static final int DOUBLINGS = 10;

    private final TryTables tables;
    private final Clock clock;

    TryLimits(TryTables tables, Clock clock) {
        this.tables = tables;
        this.clock = clock;
    }

    /** One count with what it allows. */
    private record Bucket(TryTables.Count count, int free, Duration longest) {
        /** When the next try may be made. */
        Optional<Instant> next() {
            if (count.tries() < free) {
                return Optional.empty();
            }
            Duration wait = Duration.ofSeconds(2L << Math.min(DOUBLINGS, count.tries() - free));
            return Optional.of(count.last().plus(wait.compareTo(longest) > 0 ? longest : wait));
        }
    }

    /**
     * Counts a try before it is judged, so that many at once are counted too.
     *
     * @param shopId of the account, if there is such a name
     * @param known whether the device has been in by this name before
     * @throws Problem when it comes too soon; then it was not judged, and it does not count
     */
    void count(String name, String address, Optional<String> shopId, boolean known) {
        Instant now = clock.instant();
        // A clock that was set back leaves stamps ahead of it; they hold nobody up.
        tables.forgetBefore(now.minus(FORGOTTEN_AFTER), now.plus(Duration.ofHours(1)));
        long mine = tables.tried(name, address, shopId, known, now);
        Instant since = now.minus(WITHIN);
        List<Bucket> buckets = known
                ? List.of(new Bucket(tables.byKnownDevice(name, since, now, mine), FREE_FROM_HERE, LONGEST_FROM_HERE))
                : List.of(
                        new Bucket(tables.from(name, address, since, now, mine), FREE_FROM_HERE, LONGEST_FROM_HERE),
                        new Bucket(
                                tables.byName(name, since, now, mine),
                                name.equals(BY_LINK) ? Integer.MAX_VALUE : FREE_FOR_NAME,
                                LONGEST_FROM_ALL),
                        new Bucket(tables.byShop(shopId, since, now, mine), FREE_FOR_SHOP, LONGEST_FROM_ALL),
                        new Bucket(tables.byAddress(address, since, now, mine), FREE_FOR_ADDRESS, LONGEST_FROM_HERE));
        Optional<Instant> next = buckets.stream()
                .map(Bucket::next)
                .flatMap(Optional::stream)
                .max(Instant::compareTo)
                .filter(at -> at.isAfter(now));
        if (next.isPresent()) {
            tables.forget(mine);
            int seconds = (int) Math.max(
                    1, Duration.between(now, next.get()).plusMillis(999).toSeconds());
            throw new Problem(
                    Problem.Kind.TOO_OFTEN,
                    "That was wrong too often. Wait " + spoken(seconds)
                            + ", then try again; a link from the owner works at once.",
                    seconds);
        }
    }

    private static String spoken(int seconds) {
        return seconds < 100 ? seconds + " s" : (seconds + 59) / 60 + " min";
    }

    /** It was right: what was wrong before no longer counts. */
    void forgive(String name, String address) {
        tables.forgive(name, address);
    }
}
