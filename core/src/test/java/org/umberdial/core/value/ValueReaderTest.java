package org.umberdial.core.value;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class ValueReaderTest {
    private final ValueReader point = new ValueReader(DecimalSign.POINT);
    private final ValueReader comma = new ValueReader(DecimalSign.COMMA);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "4k7|OHM|4700",
                "4.7k|OHM|4700",
                "4700|OHM|4700",
                "4,700|OHM|4700",
                "2M2|OHM|2.2e6",
                "2.2 meg|OHM|2.2e6",
                "100R|OHM|100",
                "4R7|OHM|4.7",
                "R47|OHM|0.47",
                "2.2 MΩ|OHM|2.2e6",
                "470 kohm|OHM|470e3",
                "1,000,000|OHM|1e6",
                "10 megohms|OHM|1e7",
                ".047|FARAD|47e-9",
                "0.047u|FARAD|47e-9",
                "47n|FARAD|47e-9",
                ".047 mfd|FARAD|47e-9",
                ".047 MFD|FARAD|47e-9",
                "47 mmf|FARAD|47e-12",
                "250 mmfd|FARAD|250e-12",
                "100 uuF|FARAD|100e-12",
                "4n7|FARAD|4.7e-9",
                "40 µF|FARAD|40e-6",
                "16 mf|FARAD|16e-6",
                "-7.3V|VOLT|-7.3",
                "−7.3|VOLT|-7.3",
                "82,4|VOLT|82.4",
                "250 mV|VOLT|0.25",
                "1.5kV|VOLT|1500",
                "1/2 W|WATT|0.5",
                "0,047|VOLT|0.047",
                "45m|AMPERE|0.045",
                "1,234.5|VOLT|1234.5"
            })
    void tradeForms_areRead(String text, Unit unit, double expected) {
        assertEquals(expected, point.read(text, unit).value(), Math.abs(expected) * 1e-15);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "4,700|OHM|4700|4,7",
                "2.2m|OHM|mΩ|MΩ",
                "2m2|OHM|mΩ|MΩ",
                "47|FARAD|µF|pF",
                ".05M|FARAD|mF|µF",
                "3M|VOLT|mV|MV"
            })
    void twoMeanings_areRefusedNamingBoth(String text, Unit unit, String one, String other) {
        InvalidEntry refused = assertThrows(InvalidEntry.class, () -> comma.read(text, unit));
        assertEquals(InvalidEntry.Code.AMBIGUOUS, refused.code());
        assertTrue(refused.getMessage().contains(one) && refused.getMessage().contains(other), refused.getMessage());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "''|VOLT|EMPTY",
                "abc|VOLT|NOT_A_NUMBER",
                "1.2.3|VOLT|NOT_A_NUMBER",
                "82 ohm|VOLT|WRONG_UNIT",
                "1/0|WATT|NOT_A_NUMBER",
                "1e999|VOLT|NOT_A_NUMBER",
                "4k7|FARAD|WRONG_UNIT",
                "..|VOLT|NOT_A_NUMBER",
                "5 furlongs|OHM|WRONG_UNIT"
            })
    void badInput_isASentence(String text, Unit unit, InvalidEntry.Code code) {
        InvalidEntry refused = assertThrows(InvalidEntry.class, () -> point.read(text, unit));
        assertEquals(code, refused.code());
        assertTrue(refused.getMessage().endsWith("."), refused.getMessage());
    }

    @Test
    void decimalComma_isTakenWhereNoThousandsGroupIsPossible() {
        assertEquals(82.4, comma.read("82,4", Unit.VOLT).value());
        assertEquals(1234.5, comma.read("1.234,5", Unit.VOLT).value());
        assertEquals(0.7, comma.read("0,700", Unit.VOLT).value());
    }

    @ParameterizedTest
    @EnumSource(names = {"VOLT", "OHM", "FARAD", "AMPERE", "WATT"})
    void printedValue_readsBackWithinThreeDigits(Unit unit) {
        long seed = 41;
        Random random = new Random(seed);
        for (int i = 0; i < 2000; i++) {
            double value = Math.pow(10, random.nextDouble() * 13 - (unit == Unit.FARAD ? 12 : 5))
                    * (unit == Unit.VOLT && random.nextBoolean() ? -1 : 1);
            if (unit == Unit.FARAD && value >= 0.01 || unit != Unit.OHM && Math.abs(value) >= 999_499) {
                continue; // beyond what a bench writes; megavolts are refused on purpose
            }
            String printed = Engineering.print(value, unit);
            double back = point.read(printed, unit).value();
            assertEquals(value, back, Math.abs(value) * 0.00501, "seed " + seed + ", printed " + printed);
        }
    }

    @Test
    void exactText_readsBackExactly() {
        Random random = new Random(7);
        for (int i = 0; i < 2000; i++) {
            double value = Double.parseDouble(Engineering.digits(
                    java.math.BigDecimal.valueOf(Math.pow(10, random.nextDouble() * 10 - 2)), 5));
            String text = Engineering.exact(value).replace("meg", " meg");
            if (!text.endsWith("m")) {
                assertEquals(value, point.read(text, Unit.OHM).value(), Math.abs(value) * 1e-15, text);
            }
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "4700|OHM|4.70 kΩ",
                "47e-9|FARAD|47.0 nF",
                "-7.3|VOLT|−7.30 V",
                "999.9|OHM|1.00 kΩ",
                "0|VOLT|0 V",
                "0.65|VOLT|0.650 V",
                "0.03|VOLT|0.0300 V",
                "0.0000021|AMPERE|2.10 µA",
                "0.002200|FARAD|2200 µF",
                "82.44|VOLT|82.4 V",
                "2e9|OHM|over 1 GΩ",
                "Infinity|OHM|open"
            })
    void engineeringForm_hasThreeDigits(double value, Unit unit, String expected) {
        assertEquals(expected, Engineering.print(value, unit));
    }
}
