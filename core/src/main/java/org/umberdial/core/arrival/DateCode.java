package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;

/**
 * A date stamped on a part, as the trade writes them: a year, month and year, or year and week behind a maker's number.
 *
 * <p>A code of one year digit and a week fits several decades; {@link Originality} lets its neighbours decide.
 */
public final class DateCode {
    private static final int FIRST = 1920;
    private static final int LAST = 1999;
    private static final Pattern YEAR = Pattern.compile(".*?\\b(19[2-9][0-9])\\b.*");
    private static final Pattern TWO = Pattern.compile("([0-9]{1,2})\\s*[-/.]\\s*([0-9]{2})");
    private static final Pattern GROUP = Pattern.compile("(?:[0-9]{3,7}[- ])?([0-9]{2,4})");

    private DateCode() {}

    /** Every year it may mean, rising; empty when it reads as no date. */
    public static List<Integer> years(String code) {
        String clean = code.strip();
        Matcher year = YEAR.matcher(clean);
        if (year.matches()) {
            return List.of(Integer.parseInt(year.group(1)));
        }
        Matcher two = TWO.matcher(clean);
        if (two.matches()) {
            return pair(Integer.parseInt(two.group(1)), Integer.parseInt(two.group(2)));
        }
        Matcher group = GROUP.matcher(clean);
        return group.matches() ? digits(group.group(1)) : List.of();
    }

    private static List<Integer> digits(String digits) {
        return switch (digits.length()) {
            case 2 -> inRange(List.of(1900 + Integer.parseInt(digits)));
            case 4 -> pair(Integer.parseInt(digits.substring(0, 2)), Integer.parseInt(digits.substring(2)));
            default ->
                week(Integer.parseInt(digits.substring(1)))
                        ? IntStream.rangeClosed(FIRST, LAST)
                                .filter(y -> y % 10 == digits.charAt(0) - '0')
                                .boxed()
                                .toList()
                        : List.of();
        };
    }

    /** Two numbers of which one is the year; month or week is the other. */
    private static List<Integer> pair(int first, int second) {
        List<Integer> years = new ArrayList<>();
        if (week(second)) {
            years.add(1900 + first);
        }
        if (week(first)) {
            years.add(1900 + second);
        }
        return inRange(years);
    }

    private static boolean week(int number) {
        return number >= 1 && number <= 53;
    }

    private static List<Integer> inRange(List<Integer> years) {
        return years.stream()
                .filter(y -> y >= FIRST && y <= LAST)
                .distinct()
                .sorted()
                .collect(Collectors.toList());
    }
}
