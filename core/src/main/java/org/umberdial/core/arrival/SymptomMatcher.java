package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.value.CsvTable;

/**
 * Finds the symptoms that an owner's own words may mean. Signs in the words, kept as a table, speak for symptoms and
 * against others; the symptom's own words count a little too, so that one typed as the trade says it is found.
 */
public final class SymptomMatcher {
    /**
     * A symptom that fits.
     *
     * @param score how well; above 0, only its order among others means something
     */
    public record Match(Symptom symptom, double score) {}

    private record Sign(Pattern says, Map<String, Integer> speaks) {}

    /** Words of a symptom shorter than this are glue. */
    private static final int TELLING = 4;

    private static final double OWN_WORD = 0.8;

    private static final List<Sign> SIGNS = CsvTable.rows(SymptomMatcher.class, "symptom-signs.csv").stream()
            .map(SymptomMatcher::sign)
            .toList();

    private SymptomMatcher() {}

    private static Sign sign(Map<String, String> row) {
        Map<String, Integer> speaks = new HashMap<>();
        for (String one : row.get("for").split("\\|")) {
            int colon = one.lastIndexOf(':');
            String id = one.substring(0, colon).strip();
            if (Symptom.of(id).isEmpty()) {
                throw new IllegalStateException("symptom-signs.csv names no symptom: " + id);
            }
            speaks.put(id, Integer.parseInt(one.substring(colon + 1).strip()));
        }
        return new Sign(Pattern.compile(row.get("says")), Map.copyOf(speaks));
    }

    /** The symptoms that fit, the best first; empty when nothing in the words is a sign of any. */
    public static List<Match> match(String words) {
        String said = plain(words);
        Map<String, Double> scores = new HashMap<>();
        for (Sign sign : SIGNS) {
            if (sign.says.matcher(said).find()) {
                sign.speaks.forEach((id, weight) -> scores.merge(id, weight.doubleValue(), Double::sum));
            }
        }
        List<String> spoken = Arrays.asList(said.split(" "));
        List<Match> matches = new ArrayList<>();
        for (Symptom symptom : Symptom.all()) {
            double score = scores.getOrDefault(symptom.id(), 0.0) + OWN_WORD * shared(symptom, spoken);
            if (score > 0) {
                matches.add(new Match(symptom, score));
            }
        }
        matches.sort(Comparator.comparingDouble(Match::score).reversed());
        return List.copyOf(matches);
    }

    /** How many telling words of a symptom were said. */
    private static long shared(Symptom symptom, List<String> spoken) {
        return Arrays.stream(plain(symptom.words()).split(" "))
                .filter(word -> word.length() >= TELLING && spoken.contains(word))
                .distinct()
                .count();
    }

    /**
     * Lower case, no marks, one blank between words: {@code doesn't} and {@code doesnt} are one word. A bar stands
     * where one thing said ends and another begins, so that no sign reaches across.
     */
    private static String plain(String words) {
        return words.toLowerCase(Locale.ROOT)
                .replaceAll("['’`]", "")
                .replaceAll("[,.;:!?]+|\\b(but|though|although|whereas|however|yet|while)\\b", " | ")
                .replaceAll("[^a-z0-9|]+", " ")
                .strip();
    }
}
