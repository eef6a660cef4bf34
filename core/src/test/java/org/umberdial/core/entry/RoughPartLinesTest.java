package org.umberdial.core.entry;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;

class RoughPartLinesTest {
    private static final String[] PIECES = {
        "R7",
        "C1A",
        "V3",
        "L2",
        "XV1",
        "Q9",
        "12AV6",
        "470k",
        ".01",
        "4k7",
        "-5",
        "1e99",
        "10G",
        "2m2",
        "400",
        "400V",
        "1/2W",
        "1/0W",
        "20%",
        "%",
        "paper",
        "electrolytic",
        "V3.plate-V4.grid",
        "B1-0",
        "a-a",
        "-",
        "V3.99-b",
        "can=C1",
        "mark=",
        "=x",
        "date=4712",
        "cathode=0",
        "\"plate load\"",
        "\"",
        ";",
        "kind=",
        "\u0000",
        "\uD83D",
        "Ω",
        "'; drop"
    };

    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void anyLineIsUnderstoodOrRefusedWithASentence(long seed) {
        Random random = new Random(seed);
        PartShorthand shorthand = new PartShorthand(
                new BenchSet(ConstructionClass.SERIES_STRING, List.of(), List.of(), List.of(), List.of(), List.of()),
                random.nextBoolean() ? DecimalSign.POINT : DecimalSign.COMMA);
        for (int i = 0; i < 3000; i++) {
            StringBuilder line = new StringBuilder();
            for (int word = random.nextInt(8); word >= 0; word--) {
                line.append(PIECES[random.nextInt(PIECES.length)]).append(random.nextInt(9) == 0 ? "" : " ");
            }
            try {
                PartLine read = shorthand.read(line.toString());
                assertFalse(read.cards().isEmpty() || read.understood().isBlank(), line.toString());
            } catch (InvalidEntry refused) {
                assertTrue(refused.getMessage().length() > 15, "seed " + seed + ": " + line);
            }
        }
    }

    @Test
    void pinsOfATubeFollowItsElectrodes() {
        assertPins(
                "6SN7",
                Map.of(
                        "1",
                        "v1b_grid",
                        "2",
                        "v1b_plate",
                        "3",
                        "v1b_cathode",
                        "4",
                        "v1a_grid",
                        "5",
                        "v1a_plate",
                        "6",
                        "v1a_cathode"));
        assertPins("6V6GT", Map.of("3", "v1_plate", "4", "v1_screen", "5", "v1_grid", "8", "v1_cathode"));
        assertPins("5Y3GT", Map.of("4", "v1_plate2", "6", "v1_plate", "2", "v1_h1", "8", "v1_h2"));
        assertPins("6BE6", Map.of("1", "v1_grid", "5", "v1_plate", "6", "v1_screen", "7", "v1_signal"));
    }

    private static void assertPins(String type, Map<String, String> wanted) {
        BenchSet empty = new BenchSet(
                ConstructionClass.MAINS_TRANSFORMER, List.of(), List.of(), List.of(), List.of(), List.of());
        PartLine line = new PartShorthand(empty, DecimalSign.POINT).read("V1 " + type);
        Map<String, String> pins = line.socket().orElseThrow().pins();
        wanted.forEach((pin, node) -> assertEquals(node, pins.get(pin), type + " pin " + pin + " of " + pins));
        List<String> nodes =
                line.cards().stream().map(Card::nodes).flatMap(List::stream).toList();
        pins.values().forEach(node -> assertTrue(nodes.contains(node), type + " " + node));
    }
}
