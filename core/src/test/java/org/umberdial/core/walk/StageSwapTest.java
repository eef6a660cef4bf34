package org.umberdial.core.walk;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.CircuitImport;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.InvalidEntry;

class StageSwapTest {
    private static final String PUSH_PULL = "12AX7 12AX7 2x6V6 5Y3";

    private static BenchSet drafted(String line, ConstructionClass construction) {
        Deck deck = new Drafter(TubeModels.shipped())
                .draft(LineUp.read(line, TubeData.shipped()), Answers.NONE)
                .deck();
        return set(usual(deck), deck, construction);
    }

    /** As they are kept of a draft: all as usually built but the tubes. */
    private static List<Part> usual(Deck deck) {
        return CircuitImport.parts(
                deck,
                deck.cards().stream()
                        .filter(Walk::asks)
                        .collect(Collectors.toMap(Card::reference, card -> ValueOrigin.USUAL)));
    }

    private static BenchSet set(List<Part> parts, Deck deck, ConstructionClass construction) {
        return new BenchSet(
                construction, parts, deck.sockets(), List.of(), List.of(), List.of(), deck.models(), List.of());
    }

    /** The set with the swap done. */
    private static BenchSet after(BenchSet set, StageSwap swap) {
        Map<String, Part> parts = set.parts().stream()
                .filter(part -> !swap.removed().contains(part.reference()))
                .collect(Collectors.toMap(Part::reference, part -> part));
        Deck put = new Deck("", swap.put(), swap.models(), swap.sockets(), List.of(), List.of(), List.of());
        usual(put).forEach(part -> parts.put(part.reference(), part));
        return set(new ArrayList<>(parts.values()), put, set.construction());
    }

    private static BenchSet with(BenchSet set, UnaryOperator<Part> change) {
        return new BenchSet(
                set.construction(),
                set.parts().stream().map(change).toList(),
                set.sockets(),
                List.of(),
                List.of(),
                List.of(),
                set.models(),
                List.of());
    }

    private static List<String> nets(BenchSet set) {
        return set.parts().stream()
                .map(part -> part.card().letter() + " " + part.nodes() + " "
                        + part.card().value())
                .sorted()
                .toList();
    }

    @Test
    void aStageIsSwapped_andBackAgain_andTheRestStaysAsItIs() {
        BenchSet set = drafted(PUSH_PULL, ConstructionClass.MAINS_TRANSFORMER);
        for (Sibling to : List.of(Sibling.SPLIT_LOAD, Sibling.FIXED_BIAS, Sibling.FIELD, Sibling.RESISTOR)) {
            StageSwap swap = StageSwap.of(set, to);
            BenchSet other = after(set, swap);
            assertFalse(nets(other).equals(nets(set)), to.word());
            Sibling was = swap.was().orElseThrow(() -> new AssertionError(to.word() + " has no way back"));
            assertEquals(nets(set), nets(after(other, StageSwap.of(other, was))), to.word() + " and " + was.word());
        }
    }

    @Test
    void onlyWhatTheTubesLeaveRoomFor_isOffered() {
        List<Sibling> open = StageSwap.open(drafted(PUSH_PULL, ConstructionClass.MAINS_TRANSFORMER));
        assertTrue(open.containsAll(List.of(Sibling.SEE_SAW, Sibling.BACK_BIAS)), open.toString());
        assertFalse(open.contains(Sibling.SELENIUM), "a tube rectifies: " + open);
        BenchSet series = drafted("12BE6 12BA6 12AV6 50C5 35W4", ConstructionClass.SERIES_STRING);
        assertFalse(StageSwap.open(series).contains(Sibling.SEE_SAW));
        assertThrows(InvalidEntry.class, () -> StageSwap.of(series, Sibling.BACK_BIAS));
    }

    /** Of a circuit that somebody typed nobody knows what would have to go. */
    @Test
    void aTypedCircuit_isNeverSwapped() {
        BenchSet set = drafted(PUSH_PULL, ConstructionClass.MAINS_TRANSFORMER);
        BenchSet typed = with(set, part -> {
            Map<String, String> keys = new java.util.LinkedHashMap<>(part.card().keys());
            keys.remove("stage");
            return new Part(part.card().withKeys(keys), part.values(), part.origin());
        });
        assertEquals(List.of(), StageSwap.open(typed));
        assertThrows(InvalidEntry.class, () -> StageSwap.of(typed, Sibling.RESISTOR));
    }

    /** Nothing comes beside what somebody put there, and what is not there as drafted is named. */
    @Test
    void whatSomebodyChanged_isLeftAndNamed() {
        BenchSet set = drafted(PUSH_PULL, ConstructionClass.MAINS_TRANSFORMER);
        BenchSet changed = with(
                set,
                part -> part.card().letter() == 'L'
                        ? new Part(
                                new Card("R99", part.nodes(), Optional.of(470.0), "", 0, Map.of(), Map.of(), 0),
                                List.of(),
                                ValueOrigin.SHEET)
                        : part);
        StageSwap swap = StageSwap.of(changed, Sibling.RESISTOR);
        String says = String.join(" ", swap.says());
        assertTrue(says.contains("filter choke is not there") && says.contains("R99 stands where"), says);
        assertTrue(swap.put().stream().noneMatch(card -> card.nodes().equals(List.of("reservoir", "bplus"))));
    }

    @Test
    void whatSomebodyCompared_staysAndIsSaid() {
        BenchSet set = drafted(PUSH_PULL, ConstructionClass.MAINS_TRANSFORMER);
        Part bias = set.parts().stream()
                .filter(part -> part.description().equals("cathode bias")
                        && part.nodes().contains("v3_cathode"))
                .findFirst()
                .orElseThrow();
        BenchSet compared =
                with(set, part -> part.equals(bias) ? new Part(bias.card(), bias.values(), ValueOrigin.SHEET) : part);
        StageSwap swap = StageSwap.of(compared, Sibling.FIXED_BIAS);
        assertFalse(swap.removed().contains(bias.reference()));
        assertTrue(
                swap.says().stream().anyMatch(said -> said.startsWith(bias.reference())),
                swap.says().toString());
        assertEquals(Optional.of(Sibling.CATHODE_BIAS), swap.was());
    }
}
