package org.umberdial.core.listening;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Set;
import org.junit.jupiter.api.Test;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.evidence.Listened;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.volts.VoltsArea;

class ListeningTest {
    private static Listened heard(String question, String answer) {
        return new Listened(question, ListeningQuestion.of(question).ask(), answer, "");
    }

    @Test
    void whatIsAskedDependsOnTheSet() {
        Listening radio = Listening.of(new Book().journal(), Set.of("radio"));
        assertTrue(radio.asked().stream().anyMatch(q -> q.id().equals("bands")));
        assertTrue(radio.asked().stream().noneMatch(q -> q.id().equals("fm-clean") || q.id().equals("rumble")));
        assertTrue(radio.claims().isEmpty(), "nobody has begun");
    }

    @Test
    void aBadAnswerIsASymptomOfTheDiagnosis_untilAPartIsReplaced() {
        Book book = new Book().add(heard("bands", "good")).add(heard("warm-clean", "bad"));
        SetFile file = Files.of(Sets.demo("table-set"), book);
        Listening listening = FinishArea.listening(file);
        assertTrue(file.ledger().failed(ListeningQuestion.of("warm-clean").claim()));
        assertTrue(file.ledger().sound(ListeningQuestion.of("bands").claim()));
        assertEquals(
                "clean-at-first-distorts-after-warming",
                VoltsArea.background(file, file.ledger()).heard().get(0).id());
        assertEquals(1, listening.bad().size());
        assertTrue(file.areas().stream()
                .flatMap(area -> area.acts(file).stream())
                .anyMatch(act -> act.id().equals("finish:heard-warm-clean")));
        SetFile mended = Files.of(
                Sets.demo("table-set"),
                book.copy().add(new PartReplaced("C4", "10 nF film", false, PartReplaced.Old.OUT)));
        assertTrue(FinishArea.listening(mended).bad().isEmpty());
        assertTrue(FinishArea.listening(mended).open().stream().anyMatch(q -> q.id().equals("warm-clean")));
        assertTrue(VoltsArea.background(mended, mended.ledger()).heard().isEmpty());
        SetFile back = Files.of(Sets.demo("table-set"), book.copy().add(heard("warm-clean", "")));
        assertFalse(back.ledger().failed(ListeningQuestion.of("warm-clean").claim()));
    }

    @Test
    void nonsenseIsRefused_andAQuestionOfANewerVersionIsPassedOver() {
        assertThrows(InvalidEntry.class, () -> ListeningQuestion.of("nothing"));
        assertThrows(InvalidEntry.class, () -> ListeningQuestion.of("bands").checked("perhaps"));
        Book book = new Book().add(new Listened("of-tomorrow", "Does it?", "bad", ""));
        assertTrue(Listening.symptoms(book.journal()).isEmpty());
    }
}
