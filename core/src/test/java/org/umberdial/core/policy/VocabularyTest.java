package org.umberdial.core.policy;

import static org.junit.jupiter.api.Assertions.assertEquals;

import org.junit.jupiter.api.Test;

class VocabularyTest {
    @Test
    void britishWords_replaceWholeWordsAndKeepCapitals() {
        assertEquals(
                "Anode of the valve on a 117 V mains; HT to earth, not a template",
                Vocabulary.BRITISH_EUROPEAN.say("Plate of the tube on a 117 V line; B+ to ground, not a template"));
        assertEquals("plate", Vocabulary.NORTH_AMERICAN.say("plate"));
    }

    @Test
    void typedBritishWords_areUnderstood() {
        assertEquals("V3 plate 82.4", Vocabulary.plain("V3 anode 82.4"));
        assertEquals("b+ 118", Vocabulary.plain("HT 118"));
        assertEquals("V3 plate 82.4", Vocabulary.plain("V3 plate 82.4"));
    }
}
