package org.umberdial.core.walk;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Stage;

/** What a stage may be instead, by the word that says so. */
public enum Sibling {
    RESISTOR(Stage.SUPPLY, "resistor", "a resistor smooths the B+", Answers.Filter.RESISTOR),
    CHOKE(Stage.SUPPLY, "choke", "a choke smooths the B+", Answers.Filter.CHOKE),
    FIELD(Stage.SUPPLY, "field", "the speaker's field coil, in the plus lead", Answers.Filter.FIELD_PLUS),
    FIELD_MINUS(Stage.SUPPLY, "field minus", "the speaker's field coil, in the minus lead", Answers.Filter.FIELD_MINUS),
    SELENIUM(Stage.SUPPLY, "selenium", "a selenium stack", Answers.Metal.SELENIUM),
    SILICON(Stage.SUPPLY, "silicon", "silicon", Answers.Metal.SILICON),
    DOUBLER(Stage.SUPPLY, "doubler", "a voltage doubler", Answers.Metal.DOUBLER),
    CATHODE_BIAS(Stage.OUTPUT, "cathode bias", "a resistor under the cathode", Answers.Bias.CATHODE),
    BACK_BIAS(Stage.OUTPUT, "back bias", "bias from the minus lead", Answers.Bias.BACK),
    FIXED_BIAS(Stage.OUTPUT, "fixed bias", "bias from a rectifier of its own", Answers.Bias.FIXED),
    PUSH_PULL(Stage.OUTPUT, "push-pull", "two tubes on one transformer", Answers.Ends.PUSH_PULL),
    STEREO(Stage.OUTPUT, "stereo", "two channels", Answers.Ends.STEREO),
    SPLIT_LOAD(Stage.SPLITTER, "split load", "one triode, loads at plate and cathode", Answers.Splitter.SPLIT_LOAD),
    SEE_SAW(Stage.SPLITTER, "see-saw", "the second triode turns what the first gives", Answers.Splitter.SEE_SAW),
    LONG_TAIL(Stage.SPLITTER, "long tail", "two triodes on one tail", Answers.Splitter.LONG_TAIL),
    TRANSFORMER(Stage.SPLITTER, "transformer", "a driver transformer", Answers.Splitter.TRANSFORMER);

    private final Stage stage;
    private final String word;
    private final String label;
    private final Answers.Answer answer;

    Sibling(Stage stage, String word, String label, Answers.Answer answer) {
        this.stage = stage;
        this.word = word;
        this.label = label;
        this.answer = answer;
    }

    public Stage stage() {
        return stage;
    }

    /** What one types. */
    public String word() {
        return word;
    }

    /** What it is, in words. */
    public String label() {
        return label;
    }

    /** What it answers of the set. */
    Answers.Answer answer() {
        return answer;
    }

    /** Blanks, hyphens and case do not matter. */
    public static Optional<Sibling> of(String typed) {
        String plain = plain(typed);
        return Arrays.stream(values())
                .filter(sibling -> plain(sibling.word).equals(plain))
                .findFirst();
    }

    private static String plain(String text) {
        return text.toLowerCase(Locale.ROOT).replaceAll("[\\s_-]+", "");
    }
}
