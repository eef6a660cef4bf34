package org.umberdial.core.walk;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.UnaryOperator;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Stage;

/** What a stage may be instead, by the word that says so. */
public enum Sibling {
    RESISTOR(
            Stage.SUPPLY, "resistor", "a resistor smooths the B+", a -> a.filter(Optional.of(Answers.Filter.RESISTOR))),
    CHOKE(Stage.SUPPLY, "choke", "a choke smooths the B+", a -> a.filter(Optional.of(Answers.Filter.CHOKE))),
    FIELD(
            Stage.SUPPLY,
            "field",
            "the speaker's field coil, in the plus lead",
            a -> a.filter(Optional.of(Answers.Filter.FIELD_PLUS))),
    FIELD_MINUS(
            Stage.SUPPLY,
            "field minus",
            "the speaker's field coil, in the minus lead",
            a -> a.filter(Optional.of(Answers.Filter.FIELD_MINUS))),
    SELENIUM(Stage.SUPPLY, "selenium", "a selenium stack", a -> a.rectifier(Optional.of(Answers.Metal.SELENIUM))),
    SILICON(Stage.SUPPLY, "silicon", "silicon", a -> a.rectifier(Optional.of(Answers.Metal.SILICON))),
    DOUBLER(Stage.SUPPLY, "doubler", "a voltage doubler", a -> a.rectifier(Optional.of(Answers.Metal.DOUBLER))),
    CATHODE_BIAS(
            Stage.OUTPUT,
            "cathode bias",
            "a resistor under the cathode",
            a -> a.bias(Optional.of(Answers.Bias.CATHODE))),
    BACK_BIAS(Stage.OUTPUT, "back bias", "bias from the minus lead", a -> a.bias(Optional.of(Answers.Bias.BACK))),
    FIXED_BIAS(
            Stage.OUTPUT,
            "fixed bias",
            "bias from a rectifier of its own",
            a -> a.bias(Optional.of(Answers.Bias.FIXED))),
    PUSH_PULL(
            Stage.OUTPUT,
            "push-pull",
            "two tubes on one transformer",
            a -> a.output(Optional.of(Answers.Ends.PUSH_PULL))),
    STEREO(Stage.OUTPUT, "stereo", "two channels", a -> a.output(Optional.of(Answers.Ends.STEREO))),
    SPLIT_LOAD(
            Stage.SPLITTER,
            "split load",
            "one triode, loads at plate and cathode",
            a -> a.splitter(Optional.of(Answers.Splitter.SPLIT_LOAD))),
    SEE_SAW(
            Stage.SPLITTER,
            "see-saw",
            "the second triode turns what the first gives",
            a -> a.splitter(Optional.of(Answers.Splitter.SEE_SAW))),
    LONG_TAIL(
            Stage.SPLITTER,
            "long tail",
            "two triodes on one tail",
            a -> a.splitter(Optional.of(Answers.Splitter.LONG_TAIL))),
    TRANSFORMER(
            Stage.SPLITTER,
            "transformer",
            "a driver transformer",
            a -> a.splitter(Optional.of(Answers.Splitter.TRANSFORMER)));

    private final Stage stage;
    private final String word;
    private final String label;
    private final UnaryOperator<Answers> said;

    Sibling(Stage stage, String word, String label, UnaryOperator<Answers> said) {
        this.stage = stage;
        this.word = word;
        this.label = label;
        this.said = said;
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

    Answers in(Answers answers) {
        return said.apply(answers);
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

    /** Those of one stage. */
    public static List<Sibling> of(Stage stage) {
        return Arrays.stream(values()).filter(sibling -> sibling.stage == stage).toList();
    }
}
