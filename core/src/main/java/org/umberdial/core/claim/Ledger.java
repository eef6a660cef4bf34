package org.umberdial.core.claim;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** What is known of every part of a set: the only place that says so. */
public final class Ledger {
    /**
     * How a claim stands.
     *
     * @param holds the observation that holds
     * @param against a later and weaker one that says otherwise; empty when nothing does
     */
    public record Standing(Observation holds, Optional<Observation> against) {
        public Claim claim() {
            return holds.claim();
        }

        public boolean conflict() {
            return against.isPresent();
        }

        public boolean sound() {
            return holds.word() == Observation.Word.SOUND && !conflict();
        }

        public boolean failed() {
            return holds.word() == Observation.Word.FAILED && !conflict();
        }

        /** Neither sound nor failed. */
        public boolean doubted() {
            return !sound() && !failed();
        }

        /** What it rests on, as a sentence. */
        public String says() {
            return sentence(holds)
                    + against.map(o -> " But " + sentence(o) + " Settle which holds.")
                            .orElse("");
        }

        private static String sentence(Observation o) {
            String says = o.by().isEmpty() ? o.says() : o.by() + ": " + o.says();
            return says.endsWith(".") ? says : says + ".";
        }
    }

    /**
     * A part that was replaced.
     *
     * @param with what went in; may be empty
     * @param standsIn whether it is there only until the right one is
     */
    public record Replaced(String subject, String with, boolean standsIn, Instant at) {}

    private record Key(String subject, Aspect aspect) {}

    private final Map<Key, Standing> standings = new LinkedHashMap<>();
    private final Map<String, Replaced> replaced;
    private final List<Observation> observations;

    private Ledger(List<Observation> observations, Map<String, Replaced> replaced) {
        this.observations = observations;
        this.replaced = replaced;
        observations.stream()
                .sorted(Comparator.comparing(Observation::at))
                .filter(this::speaks)
                .forEach(o -> standings.merge(
                        key(o.claim()), new Standing(o, Optional.empty()), (before, now) -> weigh(before, now.holds)));
    }

    /** @param replaced in the order it was done */
    public static Ledger of(List<Observation> observations, List<Replaced> replaced) {
        Map<String, Replaced> last = new LinkedHashMap<>();
        replaced.forEach(r -> last.merge(upper(r.subject), r, (a, b) -> b.at.isBefore(a.at) ? a : b));
        return new Ledger(List.copyOf(observations), last);
    }

    /** The same with more observations. */
    public Ledger and(List<Observation> more) {
        if (more.isEmpty()) {
            return this;
        }
        List<Observation> all = new ArrayList<>(observations);
        all.addAll(more);
        return new Ledger(List.copyOf(all), replaced);
    }

    private static String upper(String subject) {
        return subject.toUpperCase(Locale.ROOT);
    }

    private static Key key(Claim claim) {
        return new Key(upper(claim.subject()), claim.aspect());
    }

    /** Of a part that was replaced since, nothing observed before speaks. */
    private boolean speaks(Observation o) {
        Replaced by = replaced.get(upper(o.claim().subject()));
        return by == null || !o.at().isBefore(by.at);
    }

    private static Standing weigh(Standing before, Observation now) {
        Observation held = before.holds;
        boolean same = held.word() == now.word();
        boolean takesNothingBack = now.word() == Observation.Word.DOUBTED
                && held.word() == Observation.Word.SOUND
                && (now.path() || now.strength().compareTo(held.strength()) < 0);
        if (takesNothingBack) {
            return before;
        }
        if (now.strength().compareTo(held.strength()) >= 0 || now.conclusive()) {
            return new Standing(now, Optional.empty());
        }
        return same || now.word() == Observation.Word.DOUBTED ? before : new Standing(held, Optional.of(now));
    }

    /** How a claim stands; empty when nothing was observed of it. */
    public Optional<Standing> of(Claim claim) {
        return Optional.ofNullable(standings.get(key(claim)));
    }

    public boolean sound(Claim claim) {
        return of(claim).filter(Standing::sound).isPresent();
    }

    public boolean failed(Claim claim) {
        return of(claim).filter(Standing::failed).isPresent();
    }

    /** Every claim of which something was observed, in the order of the first observation. */
    public List<Standing> standings() {
        return List.copyOf(standings.values());
    }

    /** The same of one subject. */
    public List<Standing> about(String subject) {
        return standings.entrySet().stream()
                .filter(e -> e.getKey().subject.equals(upper(subject)))
                .map(Map.Entry::getValue)
                .toList();
    }

    /**
     * Whether a wound part that cannot be bought will serve: somebody found it sound, or it is continuous and free of
     * shorted turns and nothing is against it.
     *
     * @return empty while that is not known
     */
    public Optional<Boolean> serves(String subject) {
        List<Standing> own = about(subject);
        if (own.stream().anyMatch(Standing::failed)) {
            return Optional.of(false);
        }
        boolean clear = own.stream().allMatch(Standing::sound);
        boolean whole = own.stream()
                .map(s -> s.claim().aspect())
                .anyMatch(a -> a.continuity() || a == Aspect.VALUE || a == Aspect.SOUND);
        boolean turns = own.stream()
                .map(s -> s.claim().aspect())
                .anyMatch(a -> a.turns() || a == Aspect.VALUE || a == Aspect.SOUND);
        return clear && whole && turns ? Optional.of(true) : Optional.empty();
    }

    /** Claims of which one observation says one thing and a later, weaker one another. */
    public List<Standing> conflicts() {
        return standings.values().stream().filter(Standing::conflict).toList();
    }

    /** Every part that was replaced, as it was done last. */
    public List<Replaced> replacements() {
        return List.copyOf(replaced.values());
    }

    /** When the last part was replaced; empty when none was. */
    public Optional<Instant> lastReplaced() {
        return replaced.values().stream().map(Replaced::at).max(Comparator.naturalOrder());
    }

    /** How a part was replaced, if it was. */
    public Optional<Replaced> replaced(String subject) {
        return Optional.ofNullable(replaced.get(upper(subject)));
    }

    /** Parts that only stand in for the right ones. */
    public List<Replaced> provisional() {
        return replaced.values().stream().filter(Replaced::standsIn).toList();
    }
}
