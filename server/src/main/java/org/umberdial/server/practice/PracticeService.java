package org.umberdial.server.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.random.RandomGenerator;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.area.Bench;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.practice.Hindsight;
import org.umberdial.core.practice.Level;
import org.umberdial.core.practice.Practice;
import org.umberdial.core.practice.PracticeSet;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.server.practice.internal.PracticeTables;
import org.umberdial.server.practice.internal.PracticeTables.MoveRow;
import org.umberdial.server.practice.internal.PracticeTables.Row;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.AtlasDesk;

/** Practices of a shop. What is hidden in a set never leaves here before it was named or given up. */
@Service
public class PracticeService {
    /** Looking back weighs everything anew at each. */
    private static final int MOST_MOVES = 120;

    private static final int MOST_SAID = 160;
    private static final int MOST_LISTED = 60;
    private static final int MOST_HELD = 60;

    private record SetKey(Level level, long number) {}

    /** Looking back: the way that was gone and the best one. */
    public record LookedBack(List<Hindsight.Step> gone, List<Hindsight.Step> best, Optional<Double> bestMinutes) {}

    private final PracticeTables tables;
    private final AtlasDesk atlases;
    private final Clock clock;
    private final Cache<SetKey, PracticeSet> sets =
            Caffeine.newBuilder().maximumSize(MOST_HELD).build();
    private final Cache<String, LookedBack> lookedBack =
            Caffeine.newBuilder().maximumSize(MOST_HELD).build();

    public PracticeService(PracticeTables tables, AtlasDesk atlases, Clock clock) {
        this.tables = tables;
        this.atlases = atlases;
        this.clock = clock;
    }

    private PracticeSet set(Level level, long number) {
        // Invented sets are of the tubes that ship, whatever types a shop has of its own: a number means one set.
        return sets.get(new SetKey(level, number), key -> PracticeSet.of(key.level, key.number, TubeModels.shipped()));
    }

    /**
     * Begins one.
     *
     * @param number that its set is made from; empty for any
     */
    @Transactional
    public KeptPractice begin(Caller caller, String id, Level level, Optional<Long> number) {
        long made = number.orElseGet(() -> RandomGenerator.getDefault().nextLong(1, 1_000_000));
        tables.begin(
                caller.shopId(),
                new Row(id, level, made, caller.author(), clock.instant(), Optional.empty(), Optional.empty()));
        return practice(caller.shopId(), id);
    }

    /** Has what looking back needs worked out behind the work: it takes seconds. */
    public void prepare(KeptPractice kept) {
        atlases.of(kept.practice().set().set(), bench(kept));
    }

    /** The latest first. */
    public List<KeptPractice> latest(String shopId) {
        return tables.latest(shopId, MOST_LISTED).stream()
                .map(row -> kept(shopId, row))
                .toList();
    }

    /** @throws Problem when the shop has none such */
    public KeptPractice practice(String shopId, String id) {
        return kept(shopId, tables.one(shopId, id).orElseThrow(() -> Problem.notFound("This practice")));
    }

    private KeptPractice kept(String shopId, Row row) {
        List<Practice.Move> moves = tables.moves(shopId, row.id()).stream()
                .map(PracticeService::move)
                .toList();
        return new KeptPractice(
                row.id(),
                row.level(),
                row.number(),
                row.author(),
                row.begunAt(),
                row.overAt(),
                row.bestMinutes(),
                new Practice(set(row.level(), row.number()), moves));
    }

    /**
     * Does something.
     *
     * @param moveId of this move; the same again is passed over
     * @throws Problem when there is nothing such to read, to test or to name, or it is over
     */
    @Transactional
    public KeptPractice move(Caller caller, String id, String moveId, Practice.Move move) {
        Row row = tables.locked(caller.shopId(), id).orElseThrow(() -> Problem.notFound("This practice"));
        List<MoveRow> there = tables.moves(caller.shopId(), id);
        if (there.stream().anyMatch(one -> one.id().equals(moveId))) {
            return kept(caller.shopId(), row);
        }
        Practice before = kept(caller.shopId(), row).practice();
        if (before.over()) {
            throw new Problem(Problem.Kind.INVALID_ENTRY, "This practice is over; begin another.");
        }
        boolean looks = move instanceof Practice.Read || move instanceof Practice.Test;
        if (looks && there.size() >= MOST_MOVES || !(move instanceof Practice.GaveUp) && there.size() >= MOST_SAID) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY, MOST_MOVES + " moves are enough: name a part, or give it up.");
        }
        possible(before.set(), move);
        tables.move(caller.shopId(), id, there.size(), row(moveId, move));
        if (before.and(move).over()) {
            tables.over(caller.shopId(), id, clock.instant());
        }
        return practice(caller.shopId(), id);
    }

    private static void possible(PracticeSet set, Practice.Move move) {
        if (move instanceof Practice.Read read && !set.spots().contains(read.spot())) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY, "Nothing is read at “" + read.spot() + "”; take one of its points.");
        }
        String part = move instanceof Practice.Test test
                ? test.part()
                : move instanceof Practice.Named named ? named.part() : "";
        if (!part.isEmpty() && !set.subjects().contains(part)) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY,
                    "“" + part + "” is no part of it that can be tested; take one of its parts.");
        }
    }

    private static MoveRow row(String id, Practice.Move move) {
        if (move instanceof Practice.Read read) {
            return new MoveRow(
                    id, "READ", read.spot().kind() + " " + read.spot().node());
        }
        if (move instanceof Practice.Test test) {
            return new MoveRow(id, "TEST", test.part());
        }
        if (move instanceof Practice.Named named) {
            return new MoveRow(id, "NAME", named.part());
        }
        return new MoveRow(id, move instanceof Practice.CalledSound ? "SOUND" : "GIVE_UP", "");
    }

    private static Practice.Move move(MoveRow row) {
        return switch (row.kind()) {
            case "READ" -> {
                String[] words = row.subject().split(" ", 2);
                yield new Practice.Read(new Spot(words[1], Spot.Kind.valueOf(words[0])));
            }
            case "TEST" -> new Practice.Test(row.subject());
            case "NAME" -> new Practice.Named(row.subject());
            case "SOUND" -> new Practice.CalledSound();
            default -> new Practice.GaveUp();
        };
    }

    private static Bench bench(KeptPractice kept) {
        PracticeSet set = kept.practice().set();
        double line = set.network().line().map(source -> source.volts()).orElse(0.0);
        String mode = set.set().modes().isEmpty() ? "" : set.set().modes().get(0);
        return new Bench(line, Optional.of(PracticeSet.METER), 0, mode);
    }

    /**
     * What was to be known at every step.
     *
     * @return empty while that is being worked out
     * @throws Problem while it is not over: it would give away what is hidden
     */
    public Optional<LookedBack> lookBack(String shopId, String id) {
        KeptPractice kept = practice(shopId, id);
        if (!kept.practice().over()) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY, "Looking back gives it away; name what is wrong first, or give it up.");
        }
        if (!(atlases.soon(kept.practice().set().set(), bench(kept)) instanceof AtlasSource.Ready ready)) {
            return Optional.empty();
        }
        String key = shopId + " " + id;
        LookedBack there = lookedBack.get(key, k -> {
            Hindsight hindsight = new Hindsight(kept.practice().set(), ready.atlas());
            List<Hindsight.Step> best = new ArrayList<>(hindsight.bestWay(kept.level()));
            return new LookedBack(hindsight.of(kept.practice()), best, hindsight.minutes(best));
        });
        if (kept.bestMinutes().isEmpty()) {
            there.bestMinutes().ifPresent(minutes -> tables.best(shopId, id, minutes));
        }
        return Optional.of(there);
    }
}
