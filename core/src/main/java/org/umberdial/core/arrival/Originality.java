package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;

/**
 * What the date codes of a set's parts say together: codes that agree mean original, the odd one out was changed.
 *
 * @param year the year most codes agree on; empty when fewer than two agree
 * @param parts one judgement a dated part, in the order given
 */
public record Originality(Optional<Integer> year, List<Judged> parts) {
    /** Stock lies about for a while before it is built in, and a set for a while before it is sold. */
    private static final int APART = 2;

    /** What a part's code says beside the others. */
    public enum Kind {
        AGREES,
        CHANGED,
        OLDER,
        UNREADABLE,
        ALONE
    }

    public record Judged(String reference, String code, Kind kind, String reason) {}

    /** @param codes date codes by part reference, in the set's order */
    public static Originality of(Map<String, String> codes) {
        Map<String, List<Integer>> years = new java.util.LinkedHashMap<>();
        codes.forEach((part, code) -> years.put(part, DateCode.years(code)));
        Optional<Integer> year = IntStream.rangeClosed(1920, 1999)
                .boxed()
                .max(Comparator.comparingLong((Integer y) -> agreeing(years, y))
                        .thenComparingDouble(y -> -spread(years, y)))
                .filter(y -> agreeing(years, y) >= 2);
        List<Judged> judged = new ArrayList<>();
        codes.forEach((part, code) -> judged.add(judge(part, code, years.get(part), year)));
        return new Originality(year, List.copyOf(judged));
    }

    private static Judged judge(String part, String code, List<Integer> years, Optional<Integer> year) {
        if (years.isEmpty()) {
            return new Judged(
                    part,
                    code,
                    Kind.UNREADABLE,
                    "“" + code
                            + "” reads as no date; a year, week or month with a year is understood, such as "
                            + "4712, 12-47 or 1947.");
        }
        if (year.isEmpty()) {
            return new Judged(
                    part, code, Kind.ALONE, "Nothing to compare with yet: two dated parts that agree are needed.");
        }
        int nearest = years.stream()
                .min(Comparator.comparingInt(y -> Math.abs(y - year.get())))
                .orElseThrow();
        int off = nearest - year.get();
        if (Math.abs(off) <= APART) {
            return new Judged(part, code, Kind.AGREES, "From about " + nearest + ", as the others: original.");
        }
        return off > 0
                ? new Judged(
                        part,
                        code,
                        Kind.CHANGED,
                        "From about " + nearest + ", " + off
                                + " years after the others: changed, maybe for a fault nearby. Check its "
                                + "value against the sheet.")
                : new Judged(
                        part,
                        code,
                        Kind.OLDER,
                        "From about " + nearest + ", " + -off
                                + " years before the others: old stock, or from another set.");
    }

    private static long agreeing(Map<String, List<Integer>> years, int year) {
        return years.values().stream()
                .filter(list -> list.stream().anyMatch(y -> Math.abs(y - year) <= APART))
                .count();
    }

    private static double spread(Map<String, List<Integer>> years, int year) {
        return years.values().stream()
                .mapToInt(list -> list.stream()
                        .mapToInt(y -> Math.abs(y - year))
                        .filter(off -> off <= APART)
                        .min()
                        .orElse(0))
                .sum();
    }
}
