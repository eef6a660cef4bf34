package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.circuit.cold.ColdOhms;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.circuit.network.Network;
import org.umberdial.core.circuit.network.Values;
import org.umberdial.core.expect.HealthySet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.TestPoint;

/**
 * The resistance chart of a cold set: every socket pin and test point to the reference and to the supply.
 *
 * @param supply node of the supply, empty when none is known
 * @param refusal why there is no chart, empty when there is one
 */
public record PinChart(List<Socket> sockets, List<Line> points, Optional<String> supply, String refusal) {
    /** @param node what the pin connects to */
    public record Pin(String pin, String node, double toReference, double toSupply) {}

    public record Socket(String socket, String type, List<Pin> pins) {}

    public record Line(TestPoint point, double toReference, double toSupply) {}

    /** The chart in a mode; infinite ohms where nothing connects. */
    public static PinChart of(BenchSet set, String mode) {
        Network network;
        try {
            network = HealthySet.network(set, mode);
        } catch (DeckRefused refused) {
            return new PinChart(List.of(), List.of(), Optional.empty(), WhatIf.whyUnsolved(set, mode));
        }
        if (set.parts().isEmpty() || !set.unread().isEmpty()) {
            return new PinChart(List.of(), List.of(), Optional.empty(), WhatIf.whyUnsolved(set, mode));
        }
        ColdOhms cold = new ColdOhms(Values.nominal(network));
        Optional<String> supply = HealthySet.of(set, mode)
                .flatMap(solved -> solved.point(solved.nominalLine()))
                .flatMap(point -> point.supplyNode());
        Map<String, Double> toReference = cold.chart("0");
        Map<String, Double> toSupply = supply.map(cold::chart).orElse(Map.of());
        List<Socket> sockets = new ArrayList<>();
        for (Deck.SocketPins socket : set.sockets()) {
            List<Pin> pins = new ArrayList<>();
            socket.pins()
                    .forEach((pin, node) -> pins.add(new Pin(
                            pin,
                            node,
                            toReference.getOrDefault(node, Double.POSITIVE_INFINITY),
                            toSupply.getOrDefault(node, Double.POSITIVE_INFINITY))));
            sockets.add(new Socket(socket.socket(), socket.type(), pins));
        }
        List<Line> points = set.testPoints().stream()
                .map(point -> new Line(
                        point,
                        toReference.getOrDefault(point.node(), Double.POSITIVE_INFINITY),
                        toSupply.getOrDefault(point.node(), Double.POSITIVE_INFINITY)))
                .toList();
        return new PinChart(sockets, points, supply, "");
    }
}
