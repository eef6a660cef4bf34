package org.umberdial.core.tuning;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.DialRead;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.value.InvalidEntry;

class TuningTest {
    private static final BandSaid MEDIUM = new BandSaid("MW", 535, 1605, 455, true);

    private static DialCheck check(BandSaid band, double... dialAndActual) {
        List<double[]> readings = new ArrayList<>();
        for (int i = 0; i < dialAndActual.length; i += 2) {
            readings.add(new double[] {dialAndActual[i], dialAndActual[i + 1]});
        }
        return DialCheck.of(new Band(band), readings, 0.01);
    }

    /** The trade's worked example: 1210 kHz with 460: oscillator 1670, image 2130. */
    @Test
    void oscillatorAndImage() {
        Band band = new Band(new BandSaid("MW", 520, 1600, 460, true));
        assertEquals(1670, band.oscillator(1210));
        assertEquals(2130, band.image(1210));
        Band below = new Band(new BandSaid("SW", 6000, 18000, 460, false));
        assertEquals(9540, below.oscillator(10000));
        assertEquals(9080, below.image(10000));
        for (double point : band.points()) {
            assertTrue(point > 520 && point < 1600 && point % 10 == 0, point + " kHz");
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 1600, 455", "1600, 520, 455", "520, 1600, 5", "520, 1600, 1e9", "NaN, 1600, 455"})
    void whatIsNoBand_isRefused(double low, double high, double between) {
        assertThrows(InvalidEntry.class, () -> new Band(new BandSaid("MW", low, high, between, true)));
    }

    @Test
    void anOscillatorBelowZero_isRefused() {
        assertThrows(InvalidEntry.class, () -> new Band(new BandSaid("LW", 150, 300, 460, false)));
    }

    @Test
    void eachEndIsSetByWhatActsThere() {
        DialCheck low = check(MEDIUM, 600, 612, 1000, 1003, 1500, 1501);
        assertEquals(2, low.advice().size());
        assertTrue(
                low.advice().get(0).contains("core in (more inductance)"),
                low.advice().get(0));
        assertTrue(low.advice().get(0).contains("padder more"), low.advice().get(0));
        DialCheck high = check(MEDIUM, 600, 600, 1000, 1003, 1500, 1470);
        assertTrue(
                high.advice().get(0).contains("trimmer less (turn it out)"),
                high.advice().get(0));
        DialCheck pointer = check(MEDIUM, 600, 612, 1000, 1021, 1500, 1531);
        assertEquals(1, pointer.advice().size());
        assertTrue(
                pointer.advice().get(0).contains("move the pointer"),
                pointer.advice().get(0));
        DialCheck middle = check(MEDIUM, 600, 600, 1000, 1030, 1500, 1500);
        assertTrue(middle.advice().get(0).contains("end vanes"), middle.advice().get(0));
        assertTrue(check(MEDIUM, 600, 603, 1000, 1005, 1500, 1507).advice().isEmpty());
        assertFalse(check(MEDIUM, 600, 603).enough());
    }

    @Test
    void aDialIsRightOnlyByItsEndsAndItsMiddle_andOnePointOffMakesItWrong() {
        HousePolicy policy = HousePolicy.standard();
        Book book = new Book()
                .add(MEDIUM)
                .add(new DialRead("MW", 600, 601, "counter"))
                .add(new DialRead("MW", 1500, 1502, "counter"));
        assertTrue(Dials.of(book.journal(), policy).observations(policy).isEmpty(), "the middle was not read");
        book.add(new DialRead("MW", 1000, 1030, "counter"));
        Dials wrong = Dials.of(book.journal(), policy);
        assertTrue(Ledger.of(wrong.observations(policy), List.of())
                .failed(wrong.claims().get(0)));
        book.add(new DialRead("MW", 1000, 1004, "counter"));
        Dials right = Dials.of(book.journal(), policy);
        assertTrue(Ledger.of(right.observations(policy), List.of())
                .sound(right.claims().get(0)));
        assertEquals(1030, right.all().get(0).before().get(0).actual());
        // What a file from elsewhere says and cannot be is nobody's word.
        assertTrue(Dials.of(new Book().add(new BandSaid("X", -1, 5, 0, true)).journal(), policy)
                .all()
                .isEmpty());
    }

    /** Checked by the formula of a tuned circuit, with the parts it gives; the classical padder of medium wave. */
    @Test
    void threePoints_areExact_andBetweenThemItIsClose() {
        Tracking three = Tracking.threePoint(new Band(MEDIUM), 45e-12);
        for (double f : three.exact()) {
            double gang = 1 / (Math.pow(2 * Math.PI * f, 2) * three.signalHenries()) + three.trimmerFarads();
            double series = 1 / (1 / gang + 1 / three.padderFarads());
            double oscillator = 1 / (2 * Math.PI * Math.sqrt(three.oscillatorHenries() * series));
            assertEquals(f + 455e3, oscillator, 0.01);
        }
        double worst = three.errors().stream()
                .mapToDouble(e -> Math.abs(e.off()))
                .max()
                .orElseThrow();
        assertTrue(worst < 7000, worst + " Hz");
        assertTrue(three.padderFarads() > 250e-12 && three.padderFarads() < 700e-12, three.padderFarads() + " F");
        assertTrue(three.oscillatorHenries() < three.signalHenries());
        Tracking two = Tracking.twoPoint(new Band(MEDIUM), 45e-12);
        for (double f : two.exact()) {
            double gang = 1 / (Math.pow(2 * Math.PI * f, 2) * two.signalHenries()) + two.trimmerFarads();
            double oscillator = 1 / (2 * Math.PI * Math.sqrt(two.oscillatorHenries() * gang));
            assertEquals(f + 455e3, oscillator, 0.01);
        }
        assertTrue(
                two.errors().stream().mapToDouble(e -> Math.abs(e.off())).max().orElseThrow() > worst,
                "a padder is there for something");
        assertThrows(InvalidEntry.class, () -> Tracking.threePoint(new Band(MEDIUM), 0));
        assertThrows(
                InvalidEntry.class,
                () -> Tracking.threePoint(new Band(new BandSaid("TRF", 535, 1605, 0, true)), 45e-12));
    }
}
