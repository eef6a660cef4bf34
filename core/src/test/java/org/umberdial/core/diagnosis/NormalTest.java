package org.umberdial.core.diagnosis;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class NormalTest {
    /** Against sums over a million strips, in the middle, across it, and far out on either side. */
    @ParameterizedTest
    @CsvSource({"-1,1", "0,0.01", "-0.5,6", "2,3", "-7,-5", "5,40", "-30,-12", "9,9.5", "-20,20"})
    void aStretchHasItsShareItsMeanAndItsWidth(double from, double to) {
        double low = from > 0 ? from : Math.max(from, to < 0 ? to - 40 / -to : -40);
        double high = from > 0 ? Math.min(to, from + 40 / from) : Math.min(to, 40);
        // Beside its largest value, so that nothing vanishes far out.
        double peak = from > 0 ? from : to < 0 ? to : 0;
        double mass = 0;
        double first = 0;
        double second = 0;
        int strips = 1_000_000;
        double width = (high - low) / strips;
        for (int i = 0; i < strips; i++) {
            double at = low + (i + 0.5) * width;
            double density = Math.exp((peak * peak - at * at) / 2) * width;
            mass += density;
            first += at * density;
            second += at * at * density;
        }
        double mean = first / mass;
        Normal.Part part = Normal.between(from, to);
        assertEquals(Math.log(mass) - peak * peak / 2 - Math.log(2 * Math.PI) / 2, part.log(), 0.03);
        assertEquals(mean, part.mean(), 0.03);
        assertEquals(Math.sqrt(second / mass - mean * mean), part.deviation(), 0.1);
    }
}
