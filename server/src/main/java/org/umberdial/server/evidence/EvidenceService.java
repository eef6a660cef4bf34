package org.umberdial.server.evidence;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.Kind;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.Metered;
import org.umberdial.core.evidence.Told;
import org.umberdial.server.evidence.internal.EvidenceTables;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;

/** Keeps a set's one log. Nothing is ever changed or deleted; a correction or a withdrawal is one more entry. */
@Service
public class EvidenceService {
    private static final Duration CLOCKS_APART = Duration.ofMinutes(5);

    private final EvidenceTables tables;
    private final SetService sets;
    private final Clock clock;

    public EvidenceService(EvidenceTables tables, SetService sets, Clock clock) {
        this.tables = tables;
        this.sets = sets;
        this.clock = clock;
    }

    /**
     * Entries as evidence takes them: times straightened, so that what came in later is later.
     *
     * @param stamps where the entries before these left off; it moves on
     */
    public static List<LogEntry> straightened(List<KeptEntry> kept, Stamps stamps) {
        return kept.stream()
                .map(k -> k.entry().at(stamps.next(k.entry().takenAt(), k.receivedAt())))
                .toList();
    }

    /** Every entry, in the order they were kept. */
    public List<KeptEntry> kept(String shopId, String setId) {
        return tables.after(shopId, setId, -1);
    }

    /** The entries after a place in the order. */
    public List<KeptEntry> keptAfter(String shopId, String setId, int order) {
        return tables.after(shopId, setId, order);
    }

    /** Ids of the sets of a shop that have an entry of a kind since a time. */
    public List<String> setsWith(String shopId, Kind kind, Instant since) {
        return tables.setsWith(shopId, kind.stored(), since);
    }

    /** Keeps a fact; the same id again changes nothing. */
    @Transactional
    public void keep(Caller caller, String setId, String id, Fact fact, Optional<Instant> takenAt) {
        keep(caller, setId, id, fact, taken(takenAt), "", "");
    }

    /**
     * Keeps a fact with the way it came.
     *
     * @return whether it is new
     */
    @Transactional
    public boolean keep(
            Caller caller, String setId, String id, Fact fact, Instant takenAt, String source, String note) {
        return insert(
                caller,
                setId,
                new LogEntry(id, fact, takenAt, caller.author(), Optional.empty(), false),
                source,
                note,
                Optional.empty());
    }

    /** Puts a fact in the place of an earlier one; the log keeps both. */
    @Transactional
    public void correct(Caller caller, String setId, String id, String earlier, Fact fact) {
        LogEntry last = last(caller.shopId(), setId, earlier);
        if (!last.fact().getClass().equals(fact.getClass())) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY, "A correction says the same kind of thing as the entry it corrects.");
        }
        insert(
                caller,
                setId,
                new LogEntry(id, fact, last.takenAt(), caller.author(), Optional.of(last.id()), false),
                "",
                "",
                Optional.empty());
    }

    /** Takes an entry of any kind back with a further one; nothing happens when it was taken back already. */
    @Transactional
    public void withdraw(Caller caller, String setId, String id, String earlier) {
        LogEntry last = last(caller.shopId(), setId, earlier);
        if (!last.withdrawn()) {
            insert(
                    caller,
                    setId,
                    new LogEntry(id, last.fact(), clock.instant(), caller.author(), Optional.of(last.id()), true),
                    last.fact() instanceof Metered ? "taken back" : "",
                    "",
                    Optional.empty());
        }
    }

    /** Erases what the owner said in person from every entry, withdrawn and corrected ones too; the symptoms stay. */
    @Transactional
    public void eraseOwnersWords(String shopId, String setId) {
        for (KeptEntry kept : kept(shopId, setId)) {
            if (kept.entry().fact() instanceof Told told && told.byOwner()) {
                tables.rewrite(shopId, kept.entry().id(), told.erased());
            }
        }
        tables.eraseFormer(shopId, setId);
    }

    /**
     * Keeps an entry that a file brings, under the name of who brings it; the file's own word for its writer stays
     * beside it.
     */
    @Transactional
    public boolean adopt(Caller caller, String setId, LogEntry entry, String source, String note, String claimed) {
        LogEntry brought = new LogEntry(
                entry.id(), entry.fact(), entry.takenAt(), caller.author(), entry.supersedes(), entry.withdrawn());
        return insert(caller, setId, brought, source, note, Optional.of(claimed));
    }

    private LogEntry last(String shopId, String setId, String id) {
        List<LogEntry> entries =
                kept(shopId, setId).stream().map(KeptEntry::entry).toList();
        LogEntry found = entries.stream()
                .filter(entry -> entry.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("The entry to change"));
        for (LogEntry entry : entries) {
            if (entry.supersedes().equals(Optional.of(found.id()))) {
                found = entry;
            }
        }
        return found;
    }

    private boolean insert(
            Caller caller, String setId, LogEntry entry, String source, String note, Optional<String> claimed) {
        int order = sets.nextInLog(caller.shopId(), setId);
        Instant now = clock.instant();
        boolean isNew = tables.insert(caller.shopId(), setId, new KeptEntry(entry, now, source, note, claimed, order));
        if (isNew) {
            sets.logged(caller.shopId(), setId, now);
        } else if (!same(caller.shopId(), setId, entry)) {
            throw Problem.sameId(entry.fact() instanceof Metered ? "A reading" : "An entry");
        }
        return isNew;
    }

    private boolean same(String shopId, String setId, LogEntry entry) {
        return tables.entry(shopId, setId, entry.id())
                .map(KeptEntry::entry)
                .filter(there -> there.withdrawn() == entry.withdrawn()
                        && says(there.fact()).equals(says(entry.fact())))
                .isPresent();
    }

    /** What two sendings of one entry must agree on; a reading's conditions may have been set anew in between. */
    private static Object says(Fact fact) {
        return fact instanceof Metered m ? List.of(m.subject(), m.reference(), m.kind(), m.value(), m.lifted()) : fact;
    }

    /** A clock that runs ahead is not believed. */
    private Instant taken(Optional<Instant> takenAt) {
        return takenAt.filter(at -> at.isBefore(clock.instant().plus(CLOCKS_APART)))
                .orElseGet(clock::instant);
    }
}
