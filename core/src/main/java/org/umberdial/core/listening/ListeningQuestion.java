package org.umberdial.core.listening;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.value.CsvTable;
import org.umberdial.core.value.InvalidEntry;

/**
 * One question of the listening test.
 *
 * @param applies what a set must be or have for it to be asked; {@code any} for every one
 * @param good the answer as it should be
 * @param bad the other
 * @param how what to do; may be empty
 * @param symptom what the bad answer is a sign of; empty where no table tells more
 * @param caution id of the caution that belongs to it; may be empty
 */
public record ListeningQuestion(
        String id,
        String applies,
        String group,
        String ask,
        String good,
        String bad,
        String how,
        Optional<Symptom> symptom,
        double minutes,
        String caution) {
    /** Answers as they are stored. */
    public static final String GOOD = "good";

    public static final String BAD = "bad";
    /** The set has no such thing. */
    public static final String NOT_THERE = "none";

    private static final Set<String> ANSWERS = Set.of(GOOD, BAD, NOT_THERE, "");
    private static final List<ListeningQuestion> ALL = CsvTable.rows(ListeningQuestion.class, "listening.csv").stream()
            .map(ListeningQuestion::row)
            .toList();

    private static ListeningQuestion row(Map<String, String> cells) {
        String symptom = cells.get("symptom");
        return new ListeningQuestion(
                cells.get("id"),
                cells.get("applies"),
                cells.get("group"),
                cells.get("ask"),
                cells.get("good"),
                cells.get("bad"),
                cells.get("how"),
                symptom.isEmpty()
                        ? Optional.empty()
                        : Optional.of(Symptom.of(symptom).orElseThrow()),
                Double.parseDouble(cells.get("minutes")),
                cells.get("caution"));
    }

    public static List<ListeningQuestion> all() {
        return ALL;
    }

    /** @throws InvalidEntry when nothing is called so */
    public static ListeningQuestion of(String id) {
        return known(id)
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN, "The listening test has no question “" + id + "”.")
                        .at("question"));
    }

    /** Empty when there is none, as in a file of a newer version. */
    public static Optional<ListeningQuestion> known(String id) {
        return ALL.stream().filter(q -> q.id.equals(id)).findFirst();
    }

    /** @throws InvalidEntry when it is no answer to it */
    public String checked(String answer) {
        if (!ANSWERS.contains(answer)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "Answer “" + good + "”, “" + bad + "” or that the set has no such thing.")
                    .at("answer");
        }
        return answer;
    }

    public Claim claim() {
        return new Claim("LISTEN " + id, Aspect.PLAYS);
    }
}
