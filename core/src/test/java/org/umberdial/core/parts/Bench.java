package org.umberdial.core.parts;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.Files;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.stands.Areas;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.DecimalSign;

/** The invented set of the table of verdicts, and what was read of it in the strip's shorthand. */
final class Bench {
    static final BenchSet SET = set(resource("bench.cir"));
    static final org.umberdial.core.area.Bench CONDITIONS =
            new org.umberdial.core.area.Bench(230, Optional.empty(), 0, "");

    private Bench() {}

    static String resource(String name) {
        try (InputStream in = Bench.class.getResourceAsStream("/parts/" + name)) {
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    static BenchSet set(String text) {
        Deck deck = DeckReader.read(text);
        Map<String, ValueOrigin> usual = deck.cards().stream()
                .filter(card -> card.key("origin").isPresent())
                .collect(Collectors.toMap(Card::reference, card -> ValueOrigin.USUAL));
        return new BenchSet(
                ConstructionClass.MAINS_TRANSFORMER,
                CircuitImport.parts(deck, usual),
                deck.sockets(),
                CircuitImport.testPoints(deck, TubeData.shipped()),
                List.of(),
                deck.modes());
    }

    static PartsEntry entry() {
        return new PartsEntry(SET, CONDITIONS, DecimalSign.POINT, Optional.empty());
    }

    /** @param readings with {@code |} between */
    static SetFile read(String part, String readings, Placing usual) {
        Book book = new Book();
        for (String line : readings.split("\\|")) {
            book.add(entry().read(line, part, usual));
        }
        return file(SET, book, HousePolicy.standard());
    }

    static SetFile file(BenchSet set, Book book, HousePolicy policy) {
        return Areas.open(new SetFile.Contents(
                set,
                Set.of(),
                SupplyLabel.UNKNOWN,
                policy,
                CONDITIONS,
                book.journal(),
                1,
                Files.kit(EnumSet.allOf(Equipment.class))));
    }

    static PartRow row(SetFile file, String called) {
        return PartsLedger.rows(file).stream()
                .filter(row -> row.called().equals(called) || row.reference().equals(called))
                .findFirst()
                .orElseThrow(() -> new AssertionError("no row of " + called));
    }
}
