package org.umberdial.server.circuit;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.draft.Stage;
import org.umberdial.core.drawing.Drawing;
import org.umberdial.core.drawing.Gate;
import org.umberdial.core.drawing.Ink;
import org.umberdial.core.drawing.Schematic;
import org.umberdial.core.drawing.Svg;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.walk.Walk;

/** A circuit as screens draw it. */
public final class DrawnCircuit {
    /** @param transform empty for none */
    public record StrokeView(String path, boolean filled, boolean dashed, String transform) {}

    public record TextView(String text, double x, double y, Drawing.Anchor anchor) {}

    /**
     * @param box left, top, width and height of what a finger means by it, in the picture's units
     * @param confirmed whether it was compared with this set
     */
    public record DrawnPartView(
            String reference,
            String name,
            String job,
            List<Double> box,
            List<String> nodes,
            List<StrokeView> strokes,
            List<TextView> texts,
            boolean confirmed) {}

    public record NamedEndView(
            String node,
            StrokeView stroke,
            @Schema(nullable = true) TextView text) {}

    /** Room for what stands at a node. */
    public record VoltsSpotView(String node, double x, double y, Drawing.Anchor anchor) {}

    public record DrawnWireView(String node, StrokeView stroke) {}

    public record DrawnStageView(String id, String label, List<Double> box, List<String> parts) {}

    /**
     * @param doubt why the drawing is not to be trusted; empty when it was compared with the circuit and is one with it
     */
    public record DrawingView(
            double width,
            double height,
            List<DrawnPartView> parts,
            List<DrawnWireView> wires,
            List<StrokeView> dots,
            List<NamedEndView> ends,
            List<VoltsSpotView> spots,
            List<DrawnStageView> stages,
            String doubt) {}

    private DrawnCircuit() {}

    /** @param iec whether in the symbols of the IEC */
    public static DrawingView view(Deck deck, BenchSet set, boolean iec) {
        Drawing drawing = drawn(deck, set);
        PartRoles roles = new PartRoles(set.cards(), set.tubes().data());
        List<String> wrong = Gate.check(drawing, deck);
        return new DrawingView(
                drawing.width() * Ink.SCALE,
                drawing.height() * Ink.SCALE,
                drawing.shapes().stream()
                        .map(shape -> part(set, shape, iec, roles))
                        .toList(),
                drawing.wires().stream()
                        .map(wire -> new DrawnWireView(wire.node(), stroke(Ink.of(wire))))
                        .toList(),
                Svg.dots(drawing).stream()
                        .map(dot -> stroke(Ink.dot(dot[0], dot[1])))
                        .toList(),
                drawing.flags().stream().map(DrawnCircuit::end).toList(),
                drawing.spots().stream()
                        .map(spot -> new VoltsSpotView(
                                spot.node(), spot.x() * Ink.SCALE, spot.y() * Ink.SCALE, spot.anchor()))
                        .toList(),
                drawing.stages().stream().map(DrawnCircuit::stage).toList(),
                wrong.isEmpty() ? "" : "The drawing does not show this circuit: " + wrong.get(0) + ".");
    }

    /** Drawn with the values one reckons with. */
    public static Drawing drawn(Deck deck, BenchSet set) {
        return Schematic.draw(
                deck,
                set.tubes().data(),
                card -> set.part(card.reference())
                        .map(part -> Schematic.value(working(part)))
                        .orElse(""));
    }

    /** A part with the value one reckons with. */
    private static Card working(Part part) {
        Card card = part.card();
        return "RCL".indexOf(card.letter()) < 0
                ? card
                : part.workingValue().map(card::withValue).orElse(card);
    }

    private static DrawnPartView part(BenchSet set, Drawing.Shape shape, boolean iec, PartRoles roles) {
        Optional<Part> part = set.part(shape.reference());
        double left = shape.x();
        double right = shape.x() + shape.width();
        double top = shape.y();
        double bottom = shape.y() + shape.height();
        for (Drawing.Label label : shape.labels()) {
            left = Math.min(left, label.left());
            right = Math.max(right, label.right());
            top = Math.min(top, label.y() - Drawing.Label.HEIGHT);
            bottom = Math.max(bottom, label.y() + 0.3);
        }
        return new DrawnPartView(
                shape.reference(),
                shape.labels().isEmpty() ? shape.reference() : shape.reference().replaceFirst("^X", ""),
                part.map(one -> Walk.job(one, roles, set.tubes().data())).orElse(""),
                Stream.of(left - 0.5, top - 0.5, right - left + 1, bottom - top + 1)
                        .map(length -> length * Ink.SCALE)
                        .toList(),
                shape.pins().stream().map(Drawing.Pin::node).toList(),
                Ink.of(shape, iec).stream().map(DrawnCircuit::stroke).toList(),
                shape.labels().stream().map(DrawnCircuit::text).toList(),
                part.filter(Part::unconfirmed).isEmpty());
    }

    private static StrokeView stroke(Ink ink) {
        return new StrokeView(ink.path(), ink.filled(), ink.dashed(), ink.transform());
    }

    private static TextView text(Drawing.Label label) {
        return new TextView(label.text(), label.x() * Ink.SCALE, label.y() * Ink.SCALE, label.anchor());
    }

    private static NamedEndView end(Drawing.Flag flag) {
        return new NamedEndView(
                flag.node(), stroke(Ink.of(flag)), flag.sign() == Drawing.Sign.NAMED ? text(flag.label()) : null);
    }

    private static DrawnStageView stage(Drawing.Stage stage) {
        String label = Stage.of(stage.name()).map(Stage::label).orElse("");
        return new DrawnStageView(
                stage.name(),
                label,
                Stream.of(stage.x(), stage.y(), stage.width(), stage.height())
                        .map(length -> length * Ink.SCALE)
                        .toList(),
                stage.parts());
    }
}
