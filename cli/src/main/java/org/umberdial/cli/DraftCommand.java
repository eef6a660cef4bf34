package org.umberdial.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import org.umberdial.core.circuit.deck.DeckWriter;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Draft;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.Feed;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.InvalidEntry;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** A deck as such a set is usually built. */
@Command(
        name = "draft",
        mixinStandardHelpOptions = true,
        description = "A circuit drafted from a set's tubes, as such sets are usually built; solve takes it.")
final class DraftCommand implements Callable<Integer> {
    @Parameters(
            paramLabel = "LINE-UP",
            arity = "1..*",
            description = "the tubes in any order, such as 12BE6 12BA6 12AV6 50C5 35W4")
    private List<String> words;

    @Option(
            names = "--class",
            paramLabel = "CLASS",
            description = "series, transformer, autotransformer, battery or vibrator; from the heaters unless said")
    private String feed = "";

    @Option(names = "--line", paramLabel = "V", description = "line volts RMS, or the battery's; usual unless said")
    private Optional<Double> line = Optional.empty();

    @Option(
            names = "--field",
            paramLabel = "LEAD",
            description = "plus or minus: the lead the speaker's field coil filters; none unless said")
    private String field = "none";

    @Option(
            names = "--rectifier",
            paramLabel = "KIND",
            description = "selenium, silicon, bridge or doubler, where no tube rectifies")
    private String rectifier = "";

    @Option(names = "--output", paramLabel = "KIND", description = "push_pull or stereo, of two output tubes")
    private String output = "";

    @Option(names = "--bias", paramLabel = "KIND", description = "cathode, back or fixed: what biases the output")
    private String bias = "";

    @Option(
            names = "--splitter",
            paramLabel = "KIND",
            description = "split_load, see_saw, long_tail or transformer: what drives a push-pull pair")
    private String splitter = "";

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        Draft draft;
        try {
            LineUp lineUp = LineUp.read(String.join(" ", words), TubeData.shipped());
            draft = new Drafter(TubeModels.shipped()).draft(lineUp, answers());
        } catch (InvalidEntry refused) {
            throw new Refused(refused.getMessage(), Umber.BAD_INPUT);
        }
        PrintWriter err = command.commandLine().getErr();
        draft.says().forEach(sentence -> err.println("umber: " + sentence));
        err.flush();
        command.commandLine().getOut().print(DeckWriter.write(draft.deck()));
        command.commandLine().getOut().flush();
        return 0;
    }

    private Answers answers() {
        Optional<Feed> said = Feed.of(feed);
        if (!feed.isEmpty() && said.isEmpty()) {
            throw new Refused(
                    "--class " + feed + " is no way to feed a set; write series, transformer, autotransformer, battery"
                            + " or vibrator.",
                    Umber.BAD_INPUT);
        }
        if (line.isPresent() && !(line.get() >= 1 && line.get() <= 1000)) {
            throw new Refused(
                    "--line " + line.get() + " is no line voltage; give RMS volts, such as 117 or 230.",
                    Umber.BAD_INPUT);
        }
        return new Answers(
                said,
                line.map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                filter(),
                one(Answers.Metal.values(), "--rectifier", rectifier),
                one(Answers.Ends.values(), "--output", output),
                one(Answers.Bias.values(), "--bias", bias),
                one(Answers.Splitter.values(), "--splitter", splitter));
    }

    private Optional<Answers.Filter> filter() {
        return switch (field.toLowerCase(Locale.ROOT)) {
            case "plus" -> Optional.of(Answers.Filter.FIELD_PLUS);
            case "minus" -> Optional.of(Answers.Filter.FIELD_MINUS);
            case "none" -> Optional.empty();
            default ->
                throw new Refused("--field " + field + " is no lead; write plus, minus or none.", Umber.BAD_INPUT);
        };
    }

    private static <E extends Enum<E>> Optional<E> one(E[] values, String option, String word) {
        if (word.isEmpty()) {
            return Optional.empty();
        }
        for (E value : values) {
            if (value.name().equalsIgnoreCase(word.replace('-', '_'))) {
                return Optional.of(value);
            }
        }
        throw new Refused(
                option + " " + word + " is none of "
                        + List.of(values).toString().toLowerCase(Locale.ROOT) + ".",
                Umber.BAD_INPUT);
    }
}
