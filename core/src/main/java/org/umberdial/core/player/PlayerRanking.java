package org.umberdial.core.player;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * What explains the signs of a player, the likeliest first, and which test tells most.
 *
 * <p>Every set of up to three causes is weighed against the signs. Causes come alone or together by chance; a sign is
 * there when any cause of the set makes it, or by itself as often as it is found on players with none of them. So two
 * faults are both believed when each explains what the other does not, and one is enough when it explains all. What
 * nobody looked for says nothing. The next test is the one whose answer is expected to take most doubt away for a
 * minute of work.
 *
 * @param suspects causes with their belief, the likeliest first
 * @param none belief in no cause that is known here
 * @param next questions that tell something about signs that no cause explains surely, the best first
 */
public record PlayerRanking(List<Suspect> suspects, double none, List<Next> next) {
    /** Belief from which a cause is named. */
    public static final double NAMED = 0.6;
    /** Belief from which nothing more is asked about what it explains. */
    private static final double SURE = 0.9;

    /** So many times likelier with the cause than without, a sign speaks for it. */
    private static final double SPEAKS = 3;
    /** How likely a cause of weight one is, before anything was looked at. */
    private static final double USUAL = 0.03;

    private static final double MOST_USUAL = 0.3;
    private static final int TOGETHER = 3;
    /** Getting the tools out [min]. */
    private static final double SETTING_UP = 1;
    /** Less is not worth a walk [bit]. */
    private static final double WORTH_ASKING = 0.02;

    /**
     * A cause with its belief.
     *
     * @param belief 0 to 1
     * @param speaksFor signs that are there and that it explains
     * @param speaksAgainst signs it would show and that are not there
     */
    public record Suspect(Cause cause, double belief, List<Question> speaksFor, List<Question> speaksAgainst) {
        public Suspect {
            speaksFor = List.copyOf(speaksFor);
            speaksAgainst = List.copyOf(speaksAgainst);
        }

        /** Whether it is said to be the likely one: believed, and by something that was found. */
        public boolean named() {
            return belief >= NAMED && !speaksFor.isEmpty();
        }
    }

    /** @param bits doubt it is expected to take away */
    public record Next(Question question, double bits) {}

    /** A set of causes, by their places in the list, with its belief. */
    private static final class Together {
        private final int[] causes;
        private double belief;

        Together(int[] causes, double belief) {
            this.causes = causes;
            this.belief = belief;
        }

        /** How likely a sign is. */
        double chance(Question question, List<Cause> all) {
            double without = 1 - question.usual();
            for (int cause : causes) {
                without *= 1 - all.get(cause).makes(question);
            }
            return 1 - without;
        }
    }

    public PlayerRanking {
        suspects = List.copyOf(suspects);
        next = List.copyOf(next);
    }

    /**
     * The ranking of a player's causes.
     *
     * @param has what else it has
     * @param signs whether each sign is there, by the id of its question; one nobody looked for is absent
     */
    public static PlayerRanking of(DriveKind kind, Set<String> has, Map<String, Boolean> signs) {
        List<Question> questions = Question.of(kind, has);
        List<Cause> causes = Cause.of(kind);
        List<Together> sets = new ArrayList<>();
        gather(causes, new int[0], 0, 1, sets);
        for (Together set : sets) {
            for (Question question : questions) {
                Boolean there = signs.get(question.id());
                if (there != null) {
                    double chance = set.chance(question, causes);
                    set.belief *= there ? chance : 1 - chance;
                }
            }
        }
        double sum = sets.stream().mapToDouble(s -> s.belief).sum();
        sets.forEach(s -> s.belief /= sum);
        double[] belief = beliefs(sets, causes.size());
        List<Suspect> suspects = new ArrayList<>();
        for (int c = 0; c < causes.size(); c++) {
            suspects.add(suspect(causes.get(c), belief[c], questions, signs));
        }
        suspects.sort(Comparator.comparingDouble(Suspect::belief).reversed());
        return new PlayerRanking(suspects, sets.get(0).belief, next(questions, causes, sets, suspects, signs));
    }

    /** Every set of up to three causes with how likely it is before anything was looked at; the empty one first. */
    private static void gather(List<Cause> causes, int[] so, int from, double odds, List<Together> into) {
        into.add(new Together(so, odds));
        if (so.length == TOGETHER) {
            return;
        }
        for (int c = from; c < causes.size(); c++) {
            int[] more = Arrays.copyOf(so, so.length + 1);
            more[so.length] = c;
            double usual = Math.min(MOST_USUAL, USUAL * causes.get(c).weight());
            gather(causes, more, c + 1, odds * usual / (1 - usual), into);
        }
    }

    private static double[] beliefs(List<Together> sets, int causes) {
        double[] belief = new double[causes];
        for (Together set : sets) {
            for (int cause : set.causes) {
                belief[cause] += set.belief;
            }
        }
        return belief;
    }

    private static Suspect suspect(Cause cause, double belief, List<Question> questions, Map<String, Boolean> signs) {
        List<Question> speaksFor = new ArrayList<>();
        List<Question> against = new ArrayList<>();
        for (Question question : questions) {
            Boolean there = signs.get(question.id());
            double makes = cause.makes(question);
            if (there != null && there && makes >= SPEAKS * question.usual()) {
                speaksFor.add(question);
            } else if (there != null && !there && SPEAKS * (1 - makes) <= 1) {
                against.add(question);
            }
        }
        return new Suspect(cause, belief, speaksFor, against);
    }

    /** The causes that are named, the likeliest first. */
    public List<Suspect> named() {
        return suspects.stream().filter(Suspect::named).toList();
    }

    private static List<Next> next(
            List<Question> questions,
            List<Cause> causes,
            List<Together> sets,
            List<Suspect> suspects,
            Map<String, Boolean> signs) {
        Set<String> explained = new HashSet<>();
        suspects.stream().filter(s -> s.belief >= SURE).forEach(s -> s.speaksFor.forEach(q -> explained.add(q.id())));
        if (questions.stream().noneMatch(q -> signs.getOrDefault(q.id(), false) && !explained.contains(q.id()))) {
            return List.of();
        }
        return questions.stream()
                .filter(q -> !signs.containsKey(q.id()))
                .map(q -> new Next(q, bits(q, causes, sets)))
                .filter(n -> n.bits >= WORTH_ASKING)
                .sorted(Comparator.comparingDouble((Next n) -> n.bits / (SETTING_UP + n.question.minutes()))
                        .reversed())
                .toList();
    }

    /** Expected loss of doubt, summed over the causes, by an answer [bit]. */
    private static double bits(Question question, List<Cause> causes, List<Together> sets) {
        double yes = 0;
        double[] now = new double[causes.size()];
        double[] ifYes = new double[causes.size()];
        for (Together set : sets) {
            double chance = set.belief * set.chance(question, causes);
            yes += chance;
            for (int cause : set.causes) {
                now[cause] += set.belief;
                ifYes[cause] += chance;
            }
        }
        double bits = 0;
        for (int c = 0; c < now.length; c++) {
            bits += doubt(now[c])
                    - yes * doubt(ifYes[c] / Math.max(yes, 1e-12))
                    - (1 - yes) * doubt((now[c] - ifYes[c]) / Math.max(1 - yes, 1e-12));
        }
        return bits;
    }

    private static double doubt(double belief) {
        double p = Math.min(1, Math.max(0, belief));
        return -(log(p) * p + log(1 - p) * (1 - p));
    }

    private static double log(double p) {
        return p <= 0 ? 0 : Math.log(p) / Math.log(2);
    }
}
