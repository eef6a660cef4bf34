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

    @Test
    void theSameLettersInAnotherSense_stay() {
        assertEquals(
                "Text of the maker's plate; valve line-up on the mains",
                Vocabulary.BRITISH_EUROPEAN.say("Text of the maker's plate; tube line-up on the line"));
        assertEquals("anode of V3", Vocabulary.BRITISH_EUROPEAN.say("plate of V3"));
        assertEquals("A fine filter against dust", Vocabulary.BRITISH_EUROPEAN.say("A fine filter against dust"));
    }
}
