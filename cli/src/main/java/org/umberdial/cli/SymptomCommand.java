package org.umberdial.cli;

import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import org.umberdial.core.arrival.SymptomMatcher;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** {@code rank,symptom,score}. */
@Command(
        name = "symptom",
        mixinStandardHelpOptions = true,
        description = "Which symptoms an owner's own words may mean, the best first.")
final class SymptomCommand implements Callable<Integer> {
    @Parameters(paramLabel = "WORDS", arity = "1..*", description = "what the owner says, word for word")
    private List<String> words;

    @Option(names = "--top", paramLabel = "N", description = "how many at most; 5 unless said")
    private int top = 5;

    @Spec
    private CommandSpec command;

    @Override
    public Integer call() {
        if (top < 1) {
            throw new Refused("--top is " + top + "; ask for one symptom at least.", Umber.BAD_INPUT);
        }
        List<SymptomMatcher.Match> matches = SymptomMatcher.match(String.join(" ", words));
        if (matches.isEmpty()) {
            throw new Refused("nothing in these words is a sign of any symptom known here.", Umber.NO_ANSWER);
        }
        StringBuilder out = new StringBuilder("rank,symptom,score\n");
        for (int i = 0; i < Math.min(top, matches.size()); i++) {
            out.append(String.format(
                    Locale.ROOT,
                    "%d,\"%s\",%.1f%n",
                    i + 1,
                    matches.get(i).symptom().words().replace("\"", "\"\""),
                    matches.get(i).score()));
        }
        command.commandLine().getOut().print(out);
        command.commandLine().getOut().flush();
        return 0;
    }
}
