package org.umberdial.core.stands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckReader;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.cold.Isolation;
import org.umberdial.core.evidence.Decided;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Proved;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.proof.ProofState;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;

/** What keeps power out: nothing but a figure that was read, or a decision about the very part that is there. */
class GatesTest {
    private static final String FED = "f=50 in.0=2 in.1=4 in.2=6 a.0=.0036 a.1=.0072 a.2=.0108";

    private static SetFile file(Book book) {
        Deck deck = DeckReader.read(Sets.resource("fm-superhet.cir"));
        return Files.of(
                new BenchSet(
                        ConstructionClass.MAINS_TRANSFORMER,
                        CircuitImport.parts(deck),
                        deck.sockets(),
                        List.of(),
                        List.of(),
                        deck.modes()),
                book);
    }

    private static Optional<Stop> stop(Book book, String id) {
        return Guide.of(file(book)).stops(Gate.POWER).stream()
                .filter(stop -> stop.id().equals(id))
                .findFirst();
    }

    @Test
    void aNewPartIsReadBeforePower_asTheOldOneWas() {
        String cord = "power:CORD:continuity";
        assertTrue(stop(new Book(), cord).orElseThrow().words().contains("nobody has read it"));
        assertTrue(stop(new Book().add(new PartReplaced("CORD", "three-wire cord")), cord)
                .orElseThrow()
                .words()
                .contains("not read since it was replaced"));
    }

    @Test
    void somebodysWordForATransformer_isNotItsInsulation() {
        SetFile file = file(new Book().add(new Proved("XT1", true, "hums as it should on the bench")));
        assertTrue(file.ledger().sound(new Claim("XT1", Aspect.SOUND)));
        assertFalse(file.ledger().sound(new Claim("XT1", Aspect.INSULATION)));
        assertEquals("Isolated by design, not measured", Isolation.danger(file));
        assertEquals(ProofState.PARTLY, Files.proof(file, "XT1").state());
        assertTrue(Files.proof(file, "XT1").reason().contains("Not yet: insulation"));
    }

    /** It bars power, so it is offered, also when power was on before. */
    @Test
    void theUnreadLabelOfASetThatHadPower_isStillAsked() {
        Book book = new Book().read(Sets.reading("b1", 240, 240, "10M", "", 1));
        assertTrue(stop(book, "power:label").isPresent());
        assertTrue(Guide.of(file(book)).acts().stream().anyMatch(act -> act.id().equals("arrival:supply-label")));
    }

    @Test
    void aDecisionAboutAPart_endsWithThatPart() {
        String fuse = "power:FUSE:right rating";
        Book decided = new Book().add(new Decided(fuse, "nobody read the fuse", "its cap is soldered shut"));
        assertEquals(Optional.empty(), stop(decided, fuse));
        assertEquals(Optional.empty(), stop(decided.add(new PartReplaced("C1", "47 u")), fuse));
        assertTrue(stop(decided.add(new PartReplaced("FUSE", "T500 mA")), fuse).isPresent());
    }

    @Test
    void halfOfTheOldPartsReadings_sayNothingOfTheNewOne() {
        Book book = new Book().bench("injection", FED);
        assertEquals(3, kept(book));
        book.add(new PartReplaced("XT1", "rewound"));
        assertEquals(3, kept(book), "they were read, and speak of the old one");
        book.bench("injection", "in.0=2.5");
        assertEquals(1, kept(book));
    }

    /** How many fed voltages count of those entered. */
    private static long kept(Book book) {
        return ColdArea.bench(file(book)).last("injection").orElseThrow().cells().keySet().stream()
                .filter(key -> key.startsWith("in."))
                .count();
    }
}
