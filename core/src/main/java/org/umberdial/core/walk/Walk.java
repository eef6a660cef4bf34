package org.umberdial.core.walk;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.draft.Stage;
import org.umberdial.core.entry.WindingWords;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * The order in which a circuit is compared with a schematic: stage by stage with the signal, in each the parts as they
 * were drafted. What the line-up itself says, tubes and their heaters, is not asked again.
 *
 * @param steps every part that can be compared, confirmed or not
 */
public record Walk(List<Step> steps) {
    private static final String OWN_FIGURES = "by your own figures";

    /**
     * One part to compare.
     *
     * @param stage id of its stage, empty for a part of none
     * @param label the stage in words
     * @param job what the part does
     * @param between what it joins, in words
     * @param value as it stands, empty for a part without a number
     * @param asks what to read off the schematic
     * @param confirmed whether somebody compared it with this set
     */
    public record Step(
            String reference,
            String stage,
            String label,
            String job,
            String between,
            String value,
            String asks,
            boolean confirmed) {}

    /** The walk of a set. */
    public static Walk of(BenchSet set) {
        List<Step> steps = new ArrayList<>();
        PartRoles roles = new PartRoles(set.cards(), set.tubes().data());
        set.parts().stream()
                .filter(part -> asks(part.card()))
                .sorted(Comparator.comparingInt(Walk::stageOf))
                .forEach(part -> steps.add(step(set, part, roles)));
        return new Walk(List.copyOf(steps));
    }

    /** Tubes and heaters are the line-up's; sources and lamps are no parts of a schematic's list. */
    public static boolean asks(Card card) {
        return "RCL".indexOf(card.letter()) >= 0
                || card.kind().matches("transformer|selenium|silicon|thermistor|barretter");
    }

    private static int stageOf(Part part) {
        return Stage.of(part.card()).map(Stage::ordinal).orElse(Stage.values().length);
    }

    private static Step step(BenchSet set, Part part, PartRoles roles) {
        String id = part.card().key("stage").orElse("");
        String label = Stage.of(part.card()).map(Stage::label).orElse("Other parts");
        boolean transformer = part.card().kind().equals("transformer");
        String value = part.unit()
                .flatMap(unit -> part.workingValue().map(number -> Engineering.print(number, unit)))
                .orElseGet(() -> transformer ? WindingWords.said(part.card()) : "");
        String asks = part.unit()
                .map(unit -> unit == Unit.OHM ? "ohms" : unit == Unit.FARAD ? "capacitance" : "inductance")
                .orElseGet(() -> transformer ? WindingWords.asks(part.card()) : "whether it is there");
        return new Step(
                part.reference(),
                id,
                label,
                job(part, roles),
                part.nodes().size() == 2
                        ? "between " + set.nameOf(part.nodes().get(0)) + " and "
                                + set.nameOf(part.nodes().get(1))
                        : "",
                value,
                asks,
                !part.unconfirmed());
    }

    /** The same, and of a tube that it goes by the shop's own figures. */
    public static String job(Part part, PartRoles roles, TubeData tubes) {
        String job = job(part, roles);
        return part.card().kind().equals("tube") && tubes.isOwn(part.card().model())
                ? job.isEmpty() ? OWN_FIGURES : job + ", " + OWN_FIGURES
                : job;
    }

    /** What a part does: the role somebody gave it, else as it was described, else as the network says. */
    public static String job(Part part, PartRoles roles) {
        boolean described =
                !part.description().isEmpty() && part.card().key("job").isEmpty();
        return described ? part.description() : roles.phrase(part.reference()).orElse(part.description());
    }

    /** How many of its parts are confirmed. */
    public long confirmed() {
        return steps.stream().filter(Step::confirmed).count();
    }
}
