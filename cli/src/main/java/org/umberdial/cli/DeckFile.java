package org.umberdial.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.math.BigDecimal;
import java.math.MathContext;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.tube.OwnTube;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.InvalidEntry;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** The deck every verb takes, and how it is read: notes to standard error, faults as one refusal. */
final class DeckFile {
    private static final long LARGEST_BYTES = 4_000_000;
    private static final int MOST_NODES = 2_000;

    @Parameters(index = "0", paramLabel = "DECK", description = "SPICE deck of the set")
    private Path path;

    @Option(
            names = "--mode",
            paramLabel = "NAME",
            description = "mode of the set, such as FM; the deck's first unless said")
    private String mode = "";

    @Option(
            names = "--tubes",
            paramLabel = "FILE",
            description = "CSV of further tube types, in the columns of tube-points.csv")
    private Path tubes;

    @Spec(Spec.Target.MIXEE)
    private CommandSpec command;

    private Deck deck;

    Deck deck() {
        if (deck == null) {
            try {
                deck = DeckReader.read(text(path), this::beside);
            } catch (DeckRefused refused) {
                throw refused(refused);
            }
            deck.notes().forEach(this::note);
        }
        return deck;
    }

    Network network() {
        try {
            Deck read = deck();
            if (read.nodes().size() > MOST_NODES) {
                throw new Refused(
                        path + " has " + read.nodes().size() + " nodes; at most " + MOST_NODES
                                + " are solved. Cut it to the set itself.",
                        Umber.BAD_INPUT);
            }
            if (read.cards().isEmpty()) {
                throw new Refused(
                        path
                                + " holds no part; after the title there is one part a line, as in R7 bplus "
                                + "v1_plate 270k.",
                        Umber.BAD_INPUT);
            }
            Network network = Network.of(read, models(), mode);
            network.notes().forEach(this::note);
            return network;
        } catch (DeckRefused refused) {
            throw refused(refused);
        }
    }

    /** The values at a line voltage, or as the deck has them. */
    Values values(Network network, Optional<Double> line) {
        Values nominal = Values.nominal(network);
        if (line.isEmpty()) {
            return nominal;
        }
        if (!(line.get() >= 0) || line.get() > 1000) {
            throw new Refused(
                    "--line " + line.get() + " is no line voltage; give RMS volts from 0 to 1000, such as 117 or 230.",
                    Umber.BAD_INPUT);
        }
        if (network.line().isEmpty()) {
            throw new Refused(
                    "the deck has no line; write it as VLINE a b SIN(0 peak hertz), or leave --line out.",
                    Umber.BAD_INPUT);
        }
        return nominal.atLine(Math.max(line.get(), 1e-6));
    }

    void note(String text) {
        PrintWriter err = command.root().commandLine().getErr();
        err.println("umber: " + text);
        err.flush();
    }

    TubeModels models() {
        if (tubes == null) {
            return TubeModels.shipped();
        }
        try {
            List<OwnTube> own = OwnTube.read(text(tubes));
            own.forEach(tube -> tube.doubts().forEach(doubt -> note(tube.name() + ": " + doubt)));
            return new TubeModels(TubeData.shipped().with(own));
        } catch (InvalidEntry refused) {
            throw new Refused(tubes + ": " + refused.getMessage(), Umber.BAD_INPUT);
        }
    }

    /** A file's words, or a refusal that says why there are none. */
    String text(Path file) {
        try {
            if (Files.isDirectory(file)) {
                throw new Refused(file + " is a directory; give a file.", Umber.BAD_INPUT);
            }
            if (Files.size(file) > LARGEST_BYTES) {
                throw new Refused(file + " is larger than 4 MB; that is no deck of one set.", Umber.BAD_INPUT);
            }
            return decoded(file, Files.readAllBytes(file));
        } catch (IOException e) {
            throw new Refused(file + " cannot be read; check the name and that it may be read.", Umber.BAD_INPUT);
        }
    }

    /** UTF-8, or Latin-1 where it is not, which is said. */
    private String decoded(Path file, byte[] bytes) {
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
        } catch (CharacterCodingException e) {
            note(file.getFileName() + " is not UTF-8; it was read as Latin-1. Save it as UTF-8 if letters look wrong.");
            return new String(bytes, StandardCharsets.ISO_8859_1);
        }
    }

    /** An included file, which has to lie in the deck's own directory. */
    private Optional<String> beside(String name) {
        Path directory = path.toAbsolutePath().getParent();
        Path file = directory.resolve(name).normalize();
        return directory.equals(file.getParent()) && Files.isRegularFile(file)
                ? Optional.of(text(file))
                : Optional.empty();
    }

    private Refused refused(DeckRefused refused) {
        return new Refused(
                refused.faults().stream()
                        .map(fault -> path.getFileName() + ": " + fault)
                        .collect(Collectors.joining("\number: ")),
                Umber.BAD_INPUT);
    }

    /** A voltage; what is below a microvolt is the noise of reckoning. */
    static String volts(double value) {
        return number(Math.abs(value) < 1e-6 ? 0 : value);
    }

    /** Six significant digits, a point, no exponent where people read. */
    static String number(double value) {
        if (Double.isInfinite(value)) {
            return "inf";
        }
        double size = Math.abs(value);
        if (size != 0 && (size < 1e-4 || size >= 1e13)) {
            return String.format(Locale.ROOT, "%.5e", value);
        }
        String text = new BigDecimal(value).round(new MathContext(6)).toPlainString();
        String trimmed = text.contains(".") ? text.replaceFirst("0+$", "").replaceFirst("\\.$", "") : text;
        return trimmed.equals("-0") ? "0" : trimmed;
    }
}
