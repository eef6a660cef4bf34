package org.umberdial.core.radio;

import java.util.Optional;

/**
 * A stage between two places where a generator is put.
 *
 * @param id stable: {@code if-1}
 * @param title {@code V2, first can to detector}
 * @param from place further from the speaker
 * @param to place nearer to it; empty when the stage ends at the speaker
 * @param typical what it amplifies with usual parts and this operating point
 * @param low least that a healthy one gives
 * @param high most
 * @param basis in what the figure rests, a sentence
 * @param usual whether something in it is a usual value and no figure of this set: then it accuses nothing
 */
public record GainStage(
        String id,
        String title,
        GainPoint from,
        Optional<GainPoint> to,
        double typical,
        double low,
        double high,
        String basis,
        boolean usual) {}
