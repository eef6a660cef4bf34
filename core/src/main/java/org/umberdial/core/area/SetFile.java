package org.umberdial.core.area;

import java.time.Instant;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.catalogue.Catalogue;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.Decided;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.PowerRun;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.SchoolChosen;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.School;
import org.umberdial.core.policy.Schools;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Extra;
import org.umberdial.core.set.SupplyLabel;

/**
 * One set with all that is known of it, as it was at one revision. What costs time is worked out once, when it is first
 * asked for; safe for several threads.
 */
public final class SetFile {
    /**
     * What is in the file.
     *
     * @param photos how many pictures there are
     * @param kit what the shop measures with
     * @param catalogue what it buys
     */
    public record Contents(
            BenchSet set,
            Set<Extra> extras,
            SupplyLabel label,
            HousePolicy policy,
            Bench bench,
            EvidenceLog log,
            int photos,
            Kit kit,
            Catalogue catalogue) {
        /** With the catalogue that ships. */
        public Contents(
                BenchSet set,
                Set<Extra> extras,
                SupplyLabel label,
                HousePolicy policy,
                Bench bench,
                EvidenceLog log,
                int photos,
                Kit kit) {
            this(set, extras, label, policy, bench, log, photos, kit, Catalogue.shipped());
        }
    }

    private final Contents contents;
    private final List<Area> areas;
    private final HousePolicy policy;
    private final Map<Class<?>, Object> known = new HashMap<>();
    private Ledger ledger;
    private boolean forNow;

    /** @param areas in working order */
    public SetFile(Contents contents, List<Area> areas) {
        this.contents = contents;
        this.areas = List.copyOf(areas);
        policy = contents.policy.with(schools(contents.policy.schools(), contents.log));
    }

    /** The house's, but for those the set has of its own. */
    private static Schools schools(Schools house, EvidenceLog log) {
        Map<School.Question, School> own = new EnumMap<>(School.Question.class);
        log.standing(SchoolChosen.class)
                .forEach(s -> own.put(
                        s.fact().question(),
                        s.fact().school().orElseGet(() -> house.of(s.fact().question()))));
        Schools followed = house;
        for (School school : own.values()) {
            followed = followed.with(school);
        }
        return followed;
    }

    public Contents contents() {
        return contents;
    }

    public BenchSet set() {
        return contents.set;
    }

    /** The house rules, with the schools this set has of its own. */
    public HousePolicy policy() {
        return policy;
    }

    public EvidenceLog log() {
        return contents.log;
    }

    public List<Area> areas() {
        return areas;
    }

    /** Something reckoned from this file, kept with it. */
    public synchronized <T> T once(Class<T> what, Supplier<T> reckon) {
        Object there = known.get(what);
        if (there == null) {
            there = reckon.get();
            known.put(what, there);
        }
        return what.cast(there);
    }

    /** Marks what is known as good only until something that is being worked out is ready. */
    public synchronized void holdsForNow() {
        forNow = true;
    }

    /** Whether the same set, opened again, might know more although nothing was entered. */
    public synchronized boolean isForNow() {
        return forNow;
    }

    /** What is known of the set: every area's observations, weighed. */
    public synchronized Ledger ledger() {
        if (ledger == null) {
            Ledger all = Ledger.of(List.of(), replaced(contents.log));
            for (Area area : areas) {
                all = all.and(area.observations(this, all));
            }
            ledger = all;
        }
        return ledger;
    }

    /** Parts that were replaced, in the order it was done. */
    public static List<Ledger.Replaced> replaced(EvidenceLog log) {
        return log.standing(PartReplaced.class).stream()
                .map(s -> new Ledger.Replaced(
                        s.fact().part(), s.fact().with(), s.fact().standsIn(), s.at()))
                .toList();
    }

    /** Ids of the stops somebody decided to go on over; a decision about a part ends when that part is replaced. */
    public Set<String> decided() {
        List<Ledger.Replaced> replaced = replaced(contents.log);
        return contents.log.standing(Decided.class).stream()
                .filter(s -> replaced.stream()
                        .noneMatch(by -> by.at().isAfter(s.at())
                                && List.of(s.fact()
                                                .what()
                                                .toUpperCase(Locale.ROOT)
                                                .split(":"))
                                        .contains(by.subject().toUpperCase(Locale.ROOT))))
                .map(s -> s.fact().what())
                .collect(Collectors.toSet());
    }

    /** Whether it has been measured under power already. */
    public boolean powered() {
        return lastUnderPower().isPresent();
    }

    /** When it was last measured under power. */
    public Optional<Instant> lastUnderPower() {
        return Stream.concat(
                        lastReading(true).map(Reading::takenAt).stream(),
                        contents.log.standing(PowerRun.class).stream().map(EvidenceLog.Standing::at))
                .max(Instant::compareTo);
    }

    private Optional<Reading> lastReading(boolean powered) {
        List<Reading> readings = contents.log.readings().standing();
        for (int i = readings.size() - 1; i >= 0; i--) {
            if (!powered || readings.get(i).kind() != ReadingKind.OHMS) {
                return Optional.of(readings.get(i));
            }
        }
        return Optional.empty();
    }

    /** Whether the last thing done with hands or meter was a reading under power. */
    public boolean underPowerNow() {
        Instant byHand = Stream.concat(
                        contents.log.standing(Benched.class).stream(),
                        contents.log.standing(PartReplaced.class).stream())
                .map(EvidenceLog.Standing::at)
                .max(Instant::compareTo)
                .orElse(Instant.MIN);
        return lastReading(false)
                .filter(read ->
                        read.kind() != ReadingKind.OHMS && !read.takenAt().isBefore(byHand))
                .isPresent();
    }
}
