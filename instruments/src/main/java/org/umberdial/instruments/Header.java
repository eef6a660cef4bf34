package org.umberdial.instruments;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * A command header as a manual writes it, such as {@code MEASure[:SCALar]:VOLTage[:DC]?}: capitals are the short form,
 * brackets may be left out. Matches what a controller sends, in either form and any case.
 */
final class Header {
    /** @param may whether it may be left out */
    private record Word(String brief, String whole, boolean may) {
        boolean is(String sent) {
            return sent.equals(brief) || sent.equals(whole);
        }
    }

    private final List<Word> words = new ArrayList<>();
    private final boolean query;

    Header(String written) {
        query = written.endsWith("?");
        String rest = written.replace("?", "");
        boolean may = false;
        StringBuilder word = new StringBuilder();
        for (char c : (rest + ":").toCharArray()) {
            if (c == ':' || c == '[' || c == ']') {
                if (word.length() > 0) {
                    words.add(new Word(
                            word.toString().replaceAll("[a-z]", ""),
                            word.toString().toUpperCase(Locale.ROOT),
                            may));
                    word.setLength(0);
                }
                may = c == '[' || c == ':' && may && !rest.isEmpty();
                if (c == ']') {
                    may = false;
                }
            } else {
                word.append(c);
            }
        }
    }

    /** @param sent without its parameters, as it came */
    boolean matches(String sent) {
        boolean asks = sent.endsWith("?");
        String[] parts = sent.toUpperCase(Locale.ROOT)
                .replace("?", "")
                .replaceFirst("^:", "")
                .split(":", -1);
        return asks == query && matches(parts, 0, 0);
    }

    private boolean matches(String[] sent, int at, int word) {
        if (word == words.size()) {
            return at == sent.length;
        }
        boolean here = at < sent.length && words.get(word).is(sent[at]) && matches(sent, at + 1, word + 1);
        return here || words.get(word).may() && matches(sent, at, word + 1);
    }
}
