package org.umberdial.server.evidence;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertInstanceOf;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.umberdial.core.evidence.Benched;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.Kind;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Unread;
import tools.jackson.databind.json.JsonMapper;

/** Every kind in every form it was ever stored in, as golden files: what once lay in a shop's log is read for ever. */
class FactJsonTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    static Stream<FactJson.Stored> everyKindInEveryForm() {
        return Stream.of(Kind.values())
                .flatMap(kind -> Stream.iterate(1, form -> form <= kind.form(), form -> form + 1)
                        .map(form -> new FactJson.Stored(kind.stored(), form, golden(kind, form))));
    }

    private static String golden(Kind kind, int form) {
        String name = "/log/" + kind.stored() + "-" + form + ".json";
        try (InputStream in = FactJsonTest.class.getResourceAsStream(name)) {
            assertTrue(in != null, "a golden file is missing: " + name);
            return new String(in.readAllBytes(), StandardCharsets.UTF_8).strip();
        } catch (IOException e) {
            throw new AssertionError(name, e);
        }
    }

    @ParameterizedTest
    @MethodSource("everyKindInEveryForm")
    void isRead_andTodaysFormIsWrittenAsItWas(FactJson.Stored stored) {
        Fact fact = FactJson.require(stored);
        Kind kind = Kind.of(stored.kind()).orElseThrow();
        assertInstanceOf(kind.type(), fact);
        FactJson.Stored again = FactJson.write(fact);
        assertEquals(kind.form(), again.form());
        if (stored.form() == kind.form()) {
            assertEquals(JSON.readTree(stored.body()), JSON.readTree(again.body()));
        }
        assertEquals(fact, FactJson.require(again), "what is written is read as the same");
    }

    @Test
    void wordsAndFormsOfEarlierVersions_sayWhatTheySaid() {
        Fact whole = FactJson.require(new FactJson.Stored("Benched", 1, golden(Kind.COLD_FIGURES, 1)));
        assertTrue(((Benched) whole).whole(), "the whole form came with it");
        Fact replaced = FactJson.require(new FactJson.Stored("PartReplaced", 1, golden(Kind.PART_REPLACED, 1)));
        assertEquals(new PartReplaced("C4", "22 n 630 V film", false), replaced);
    }

    @Test
    void whatANewerVersionKept_staysAndSaysNothing() {
        for (FactJson.Stored strange : new FactJson.Stored[] {
            new FactJson.Stored("tasted", 1, "{\"how\":\"bitter\"}"),
            new FactJson.Stored("remark", 9, "{}"),
            new FactJson.Stored("remark", 1, "not json"),
            new FactJson.Stored("reading", 1, "[]"),
            // What lacks a part would break whoever reads it later.
            new FactJson.Stored("listened", 1, "{\"question\":\"bands\"}"),
            new FactJson.Stored("receiver-said", 1, "{\"kind\":\"SUPERHET\",\"cans\":2,\"fmCans\":0}")
        }) {
            assertInstanceOf(Unread.class, FactJson.read(strange));
            assertEquals(strange, FactJson.write(FactJson.read(strange)), "and goes back as it came");
            assertThrows(IllegalArgumentException.class, () -> FactJson.require(strange));
        }
    }
}
