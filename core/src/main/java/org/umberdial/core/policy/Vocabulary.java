package org.umberdial.core.policy;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** The trade's two vocabularies. Code and rules speak North American; a shop may read and write the other. */
public enum Vocabulary {
    NORTH_AMERICAN,
    BRITISH_EUROPEAN;

    private static final Map<String, String> BRITISH = british();
    private static final Pattern WORDS = Pattern.compile(
            "(?<![A-Za-z])(" + String.join("|", BRITISH.keySet()).replace("+", "\\+") + ")(?![A-Za-z+])",
            Pattern.CASE_INSENSITIVE);

    /** North American terms with their British-European ones, longer terms first. */
    public Map<String, String> terms() {
        return this == BRITISH_EUROPEAN ? BRITISH : Map.of();
    }

    /** The same text in this vocabulary. */
    public String say(String text) {
        if (this == NORTH_AMERICAN) {
            return text;
        }
        return WORDS.matcher(text)
                .replaceAll(match -> Matcher.quoteReplacement(
                        cased(BRITISH.get(match.group(1).toLowerCase(java.util.Locale.ROOT)), match.group(1))));
    }

    /** Puts what a person typed in either vocabulary into the words the rules use. */
    public static String plain(String typed) {
        String text = typed;
        for (Map.Entry<String, String> term : BRITISH.entrySet()) {
            text = text.replaceAll(
                    "(?i)(?<![A-Za-z])" + Pattern.quote(term.getValue()) + "(?![A-Za-z+])",
                    Matcher.quoteReplacement(term.getKey()));
        }
        return text;
    }

    private static String cased(String term, String like) {
        return Character.isUpperCase(like.charAt(0)) ? Character.toUpperCase(term.charAt(0)) + term.substring(1) : term;
    }

    private static Map<String, String> british() {
        Map<String, String> terms = new LinkedHashMap<>();
        // The same letters in another sense stay as they are.
        for (String other : List.of(
                "maker's plate",
                "type plate",
                "name plate",
                "chassis plate",
                "plate and chassis number",
                "line-up",
                "lineup",
                "text line",
                "part line",
                "part lines",
                "dotted line",
                "fine filter",
                "dust filter",
                "filter mask",
                "in line with")) {
            terms.put(other, other);
        }
        terms.put("line voltage", "mains voltage");
        terms.put("line volts", "mains volts");
        terms.put("line cord", "mains lead");
        terms.put("antenna", "aerial");
        terms.put("tubes", "valves");
        terms.put("tube", "valve");
        terms.put("plates", "anodes");
        terms.put("plate", "anode");
        terms.put("b+", "HT");
        terms.put("grounded", "earthed");
        terms.put("ground", "earth");
        terms.put("line", "mains");
        terms.put("filter", "smoothing");
        return terms;
    }
}
