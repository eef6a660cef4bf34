package org.umberdial.server.stands.internal;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.server.evidence.KeptEntry;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;

/** What others added to a set since a person last left its front page. */
@Service
public class LastLooks {
    /**
     * What is new to a person.
     *
     * @param lookedAt empty when the person has not been here before; then nothing is called new
     */
    record News(Optional<Instant> lookedAt, List<KeptEntry> entries) {}

    private final LookTables looks;
    private final Clock clock;

    LastLooks(LookTables looks, Clock clock) {
        this.looks = looks;
        this.clock = clock;
    }

    /** Who it is: the account, or whoever the demo lets in. */
    private static String person(Caller caller) {
        return caller.accountId().isEmpty() ? caller.author() : caller.accountId();
    }

    News since(Caller caller, OpenSet set) {
        Optional<LookTables.Look> last = looks.last(caller.shopId(), set.id(), person(caller));
        return new News(
                last.map(LookTables.Look::at),
                set.kept().stream()
                        .filter(kept ->
                                last.filter(look -> kept.order() > look.order()).isPresent())
                        .filter(kept -> !kept.author().equals(caller.author()))
                        .toList());
    }

    /** This person has seen the set as it is now. */
    @Transactional
    public void looked(Caller caller, OpenSet set) {
        int order = set.kept().stream().mapToInt(KeptEntry::order).max().orElse(0);
        looks.looked(caller.shopId(), set.id(), person(caller), new LookTables.Look(order, clock.instant()));
    }
}
