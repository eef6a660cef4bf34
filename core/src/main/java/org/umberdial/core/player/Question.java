package org.umberdial.core.player;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.umberdial.core.area.Plug;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.value.CsvTable;
import org.umberdial.core.value.InvalidEntry;

/**
 * Something that is looked at, listened to or measured at a player.
 *
 * @param drives for which drives it is asked
 * @param sign what it is when it is not as it should be
 * @param ask the question; empty for what speeds alone tell
 * @param how steps
 * @param kind what answers it, and which answer is the sign
 * @param limit for a figure
 * @param unit of a figure; empty for yes or no
 * @param usual how often the sign is there although nothing that is known here causes it
 * @param caution id of the caution that belongs to it; may be empty
 * @param needs what the player must have for it to be asked; empty for every one
 * @param proves what a good answer settles; empty where it settles nothing
 */
public record Question(
        String id,
        String drives,
        String sign,
        String ask,
        List<String> how,
        double minutes,
        Plug plug,
        Kind kind,
        double limit,
        String unit,
        double usual,
        String caution,
        String needs,
        Optional<Claim> proves) {
    /** What answers a question. */
    public enum Kind {
        /** Speeds that were read. */
        SPEED,
        /** Yes is the sign. */
        YESNO,
        /** No is the sign. */
        NO,
        /** A figure below the limit is the sign. */
        BELOW,
        /** A figure above the limit is the sign. */
        ABOVE
    }

    private static final double MOST_FIGURE = 10_000;

    private static final List<Question> ALL = CsvTable.rows(Question.class, "player-questions.csv").stream()
            .map(Question::row)
            .toList();

    /** Every question that ships. */
    public static List<Question> all() {
        return ALL;
    }

    /**
     * The questions for a drive.
     *
     * @param has what else the player has
     */
    public static List<Question> of(DriveKind kind, Set<String> has) {
        return ALL.stream()
                .filter(q -> DriveKind.means(q.drives, kind) && (q.needs.isEmpty() || has.contains(q.needs)))
                .toList();
    }

    /** What a player may have beside its drive. */
    public static Set<String> extras() {
        return ALL.stream()
                .map(Question::needs)
                .filter(needs -> !needs.isEmpty())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** @throws InvalidEntry when nothing is called so */
    public static Question of(String id) {
        return ALL.stream()
                .filter(q -> q.id.equals(id))
                .findFirst()
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN, "There is no question “" + id + "” about a player.")
                        .at("question"));
    }

    private static Question row(Map<String, String> cells) {
        String proves = cells.get("proves");
        int colon = proves.indexOf(':');
        String good = cells.get("good");
        Kind kind = Kind.valueOf(cells.get("kind").toUpperCase(Locale.ROOT));
        boolean figure = kind == Kind.BELOW || kind == Kind.ABOVE;
        return new Question(
                cells.get("id"),
                cells.get("drives"),
                cells.get("sign"),
                cells.get("ask"),
                List.of(cells.get("how").split("\\|")),
                Double.parseDouble(cells.get("minutes")),
                cells.get("plug").equals("in") ? Plug.IN : Plug.OUT_HANDS_IN,
                kind,
                figure ? Double.parseDouble(cells.get("limit")) : 0,
                figure ? good : "",
                Double.parseDouble(cells.get("usual")),
                cells.get("caution"),
                cells.get("needs"),
                colon < 0
                        ? Optional.empty()
                        : Optional.of(new Claim(proves.substring(0, colon), Aspect.of(proves.substring(colon + 1)))));
    }

    /** Whether a person answers it. */
    public boolean asked() {
        return kind != Kind.SPEED;
    }

    /** Whether a hand touches metal that a live chassis would put at line voltage. */
    public boolean touchesChassis() {
        return caution.equals("live_chassis");
    }

    public boolean figure() {
        return kind == Kind.BELOW || kind == Kind.ABOVE;
    }

    /**
     * Whether an answer is the sign; empty when it says neither.
     *
     * @param answer {@code yes}, {@code no}, {@code unsure}, or a figure
     */
    public Optional<Boolean> shows(String answer) {
        if (answer.isEmpty() || answer.equals("unsure")) {
            return Optional.empty();
        }
        if (figure()) {
            return figure(answer).map(value -> kind == Kind.BELOW ? value < limit : value > limit);
        }
        return Optional.of(answer.equals("yes") == (kind == Kind.YESNO));
    }

    private static Optional<Double> figure(String plain) {
        try {
            double value = Double.parseDouble(plain);
            return value >= 0 && value <= MOST_FIGURE ? Optional.of(value) : Optional.empty();
        } catch (NumberFormatException notANumber) {
            return Optional.empty();
        }
    }

    /**
     * The answer as it is kept.
     *
     * @throws InvalidEntry when it answers another question
     */
    public String kept(String answer) {
        String plain = answer.strip().toLowerCase(Locale.ROOT);
        if (plain.isEmpty() || plain.equals("unsure")) {
            return plain;
        }
        if (figure()) {
            return figure(plain.replace(',', '.'))
                    .map(String::valueOf)
                    .orElseThrow(() -> new InvalidEntry(
                                    InvalidEntry.Code.NOT_A_NUMBER,
                                    "“" + answer + "” is no figure in " + (unit.equals("s") ? "seconds" : unit)
                                            + "; enter one as in 12.")
                            .at("answer"));
        }
        if (!plain.equals("yes") && !plain.equals("no")) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "“" + answer + "” is no answer here: yes, no or unsure.")
                    .at("answer");
        }
        return plain;
    }
}
