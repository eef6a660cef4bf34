package org.umberdial.server.journal;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.journal.Fact;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.journal.JournalEntry;
import org.umberdial.core.journal.Told;
import org.umberdial.server.journal.internal.JournalTables;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;

/** Keeps a set's journal. Nothing is ever changed or deleted; a correction is one more entry. */
@Service
public class JournalService {
    private final JournalTables tables;
    private final SetService sets;
    private final Clock clock;

    public JournalService(JournalTables tables, SetService sets, Clock clock) {
        this.tables = tables;
        this.sets = sets;
        this.clock = clock;
    }

    public Journal journal(String shopId, String setId) {
        Stamps stamps = new Stamps();
        return new Journal(kept(shopId, setId).stream()
                .map(kept -> kept.entry().at(stamps.next(kept.entry().takenAt(), kept.receivedAt())))
                .toList());
    }

    /** Every entry, in the order they were kept. */
    public List<KeptEntry> kept(String shopId, String setId) {
        return tables.all(shopId, setId);
    }

    /** Keeps a fact; the same id again changes nothing. */
    @Transactional
    public void keep(Caller caller, String setId, String id, Fact fact, Optional<Instant> takenAt) {
        insert(caller, setId, new JournalEntry(id, fact, taken(takenAt), Optional.empty(), false));
    }

    /** Puts a fact in the place of an earlier one; the journal keeps both. */
    @Transactional
    public void correct(Caller caller, String setId, String id, String earlier, Fact fact) {
        JournalEntry last = last(caller.shopId(), setId, earlier);
        if (!last.fact().getClass().equals(fact.getClass())) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY, "A correction says the same kind of thing as the entry it corrects.");
        }
        insert(caller, setId, new JournalEntry(id, fact, last.takenAt(), Optional.of(last.id()), false));
    }

    /** Takes an entry back with a further one. */
    @Transactional
    public void withdraw(Caller caller, String setId, String id, String earlier) {
        JournalEntry last = last(caller.shopId(), setId, earlier);
        if (!last.withdrawn()) {
            insert(caller, setId, new JournalEntry(id, last.fact(), clock.instant(), Optional.of(last.id()), true));
        }
    }

    /** Erases what the owner said in person from every entry, withdrawn and corrected ones too; the symptoms stay. */
    @Transactional
    public void eraseOwnersWords(String shopId, String setId) {
        for (JournalEntry entry : journal(shopId, setId).entries()) {
            if (entry.fact() instanceof Told told && told.byOwner()) {
                tables.rewrite(shopId, entry.id(), told.erased());
            }
        }
    }

    /**
     * Keeps an entry that a file brings, under the name of who brings it; the file's own word for its writer stays
     * beside it.
     */
    @Transactional
    public void adopt(Caller caller, String setId, JournalEntry entry, String claimed) {
        insert(caller, setId, entry, Optional.of(claimed));
    }

    private JournalEntry last(String shopId, String setId, String id) {
        List<JournalEntry> entries = journal(shopId, setId).entries();
        JournalEntry found = entries.stream()
                .filter(entry -> entry.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("The entry to change"));
        for (JournalEntry entry : entries) {
            if (entry.supersedes().equals(Optional.of(found.id()))) {
                found = entry;
            }
        }
        return found;
    }

    private void insert(Caller caller, String setId, JournalEntry entry) {
        insert(caller, setId, entry, Optional.empty());
    }

    private void insert(Caller caller, String setId, JournalEntry entry, Optional<String> claimed) {
        int order = sets.nextInLog(caller.shopId(), setId);
        if (tables.insert(
                caller.shopId(), setId, new KeptEntry(entry, clock.instant(), caller.author(), claimed, order))) {
            sets.touch(caller.shopId(), setId, clock.instant());
        } else if (!tables.same(caller.shopId(), setId, entry)) {
            throw Problem.sameId("An entry");
        }
    }

    /** A clock that runs ahead is not believed. */
    private Instant taken(Optional<Instant> takenAt) {
        return takenAt.filter(at -> at.isBefore(clock.instant().plus(Duration.ofMinutes(5))))
                .orElseGet(clock::instant);
    }
}
