package org.umberdial.core.proof;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.StartingCircuit;

class ProofSheetTest {
    private static final BenchSet SET = new BenchSet(
            ConstructionClass.SERIES_STRING,
            CircuitImport.parts(
                    StartingCircuit.of("string-superhet").orElseThrow().deck()),
            List.of(),
            List.of(),
            List.of(),
            List.of());

    @Test
    void readingsFindingsAndReplacementsMoveAPart() {
        assertEquals(ProofState.UNPROVEN, state("R5", new Book()));
        assertEquals(ProofState.PROVEN, state("R5", new Book(), ohms("R5", 440e3, "")));
        assertEquals(ProofState.PROVEN, state("R5", new Book(), ohms("R5", 480e3, "R5")));
        assertEquals(ProofState.TO_REPLACE, state("R5", new Book(), ohms("R5", 700e3, "")));
        Book waxed = new Book()
                .add(new Looked("capacitors", "capacitors-paper-or-wax", "dripping", "C4", "", Optional.empty()));
        assertEquals(ProofState.TO_REPLACE, state("C4", waxed));
        assertEquals(ProofState.REPLACED, state("C4", waxed.add(new PartReplaced("C4", "22 n film"))));
    }

    @Test
    void anAreaOfTheInspectionIsNoPart_thoughItIsCalledLikeOne() {
        String reason = Files.proof(Files.of(SET, new Book()), BenchSet.FUSE).reason();
        assertEquals("Nothing has been read or seen of it yet.", reason);
        Book looked = new Book().add(new Looked("fuse", "", "", "", "", Optional.empty()));
        assertEquals(
                reason,
                Files.proof(Files.of(SET, looked), BenchSet.FUSE).reason(),
                "that somebody looked at the holder is nothing read of the fuse");
    }

    @Test
    void aBadReadingAfterAReplacementCounts() {
        Book book = new Book().add(new PartReplaced("R5", "470 k"));
        assertEquals(ProofState.REPLACED, state("R5", book, ohms("R5", 480e3, "R5")));
        Reading before = new Reading(
                "r0",
                "R5",
                "0",
                ReadingKind.OHMS,
                900e3,
                120,
                Optional.empty(),
                "",
                OptionalDouble.empty(),
                Instant.parse("2026-02-01T10:00:00Z"),
                "",
                Optional.empty(),
                false);
        assertEquals(ProofState.REPLACED, state("R5", book, before));
        assertEquals(ProofState.TO_REPLACE, state("R5", book, ohms("R5", 900e3, "")));
    }

    private static ProofState state(String part, Book book, Reading... readings) {
        return Files.proof(Files.of(SET, book.read(readings)), part).state();
    }

    private static Reading ohms(String part, double value, String lifted) {
        return new Reading(
                "r-" + part,
                part,
                "0",
                ReadingKind.OHMS,
                value,
                120,
                Optional.empty(),
                "",
                OptionalDouble.empty(),
                Instant.parse("2026-04-01T10:00:00Z"),
                lifted,
                Optional.empty(),
                false);
    }
}
