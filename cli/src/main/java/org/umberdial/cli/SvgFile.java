package org.umberdial.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Optional;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Where a drawing goes: a file, or standard output. */
final class SvgFile {
    @Option(names = "--out", paramLabel = "FILE.svg", description = "file to write; standard output unless said")
    private Optional<Path> out = Optional.empty();

    @Spec(Spec.Target.MIXEE)
    private CommandSpec command;

    void write(String svg) {
        if (out.isEmpty()) {
            command.commandLine().getOut().print(svg);
            command.commandLine().getOut().flush();
            return;
        }
        try {
            Files.writeString(out.get(), svg);
        } catch (IOException e) {
            throw new Refused(out.get() + " cannot be written; check that its directory is there.", Umber.BAD_INPUT);
        }
    }
}
