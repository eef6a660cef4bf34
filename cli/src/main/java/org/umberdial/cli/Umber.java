package org.umberdial.cli;

import java.io.PrintWriter;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** The engine's verbs. Results are CSV on standard output; what a person should know goes to standard error. */
@Command(
        name = "umber",
        mixinStandardHelpOptions = true,
        subcommands = {
            DiagnoseCommand.class,
            DraftCommand.class,
            DrawCommand.class,
            SolveCommand.class,
            TubesCommand.class,
            OhmsCommand.class,
            WarmUpCommand.class,
            RippleCommand.class,
            SpiceCommand.class,
            SymptomCommand.class,
            WowCommand.class,
            StrobeCommand.class,
            AlignCommand.class
        })
public final class Umber {
    /** Exit status for input that has to be mended. */
    static final int BAD_INPUT = 2;
    /** Exit status when the input was fine and there is still no answer. */
    static final int NO_ANSWER = 3;

    private Umber() {}

    public static void main(String[] arguments) {
        System.exit(run(new PrintWriter(System.out), new PrintWriter(System.err, true), arguments));
    }

    static int run(PrintWriter out, PrintWriter err, String... arguments) {
        CommandLine command = new CommandLine(new Umber()).setOut(out).setErr(err);
        command.setExecutionExceptionHandler((failure, line, parsed) -> {
            if (failure instanceof Refused refused) {
                line.getErr().println("umber: " + refused.getMessage());
                return refused.status();
            }
            throw failure;
        });
        return command.execute(arguments);
    }
}
