package org.umberdial.server.finish.internal;

import java.util.EnumMap;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;
import org.umberdial.core.alignment.Alignment;
import org.umberdial.core.alignment.Feed;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.circuit.deck.DeckRefused;
import org.umberdial.core.evidence.CurveRead;
import org.umberdial.core.evidence.LevelRead;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.radio.ReceiverChain;
import org.umberdial.core.radio.StageGains;
import org.umberdial.core.radio.TunedData;
import org.umberdial.core.set.Part;
import org.umberdial.core.tuning.Band;
import org.umberdial.core.tuning.Dials;
import org.umberdial.core.tuning.ResponseCurve;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.setfile.OpenSet;

/** What the stages of a set amplify, reckoned from its circuit and kept with its file. */
@Component
class Gains {
    /** The sound that levels are given for [W]. */
    static final double STANDARD_WATTS = 0.05;

    private static final double USUAL_OHMS = 3.2;
    private static final double USUAL_HERTZ = 455e3;
    private static final double AM_MOST_HERTZ = 3e6;

    /** Held with a set's file. */
    private record Reckoned(Optional<StageGains> gains, TunedData data) {}

    Optional<StageGains> of(OpenSet set) {
        return reckoned(set).gains;
    }

    TunedData data(OpenSet set) {
        return reckoned(set).data;
    }

    private static Reckoned reckoned(OpenSet set) {
        return set.file().once(Reckoned.class, () -> {
            TunedData data = tuned(set);
            Deck deck = set.stored().deck();
            try {
                return new Reckoned(
                        deck.cards().isEmpty()
                                ? Optional.empty()
                                : StageGains.of(
                                        deck,
                                        set.set().tubes(),
                                        data,
                                        set.set().parts().stream().anyMatch(Part::unconfirmed)),
                        data);
            } catch (DeckRefused unfit) {
                // Said where the circuit is; here it means that nothing is reckoned.
                return new Reckoned(Optional.empty(), data);
            }
        });
    }

    /** By the width of the whole chain's curve where one was read, else what is usual. */
    private static TunedData tuned(OpenSet set) {
        double hertz = FinishArea.dials(set.file()).all().stream()
                .map(Dials.Dial::band)
                .filter(Band::superhet)
                .mapToDouble(band -> 1000 * band.said().intermediateKilohertz())
                .filter(value -> value < AM_MOST_HERTZ)
                .findFirst()
                .orElse(USUAL_HERTZ);
        Alignment alignment = FinishArea.alignment(set.file());
        Optional<CurveRead> read = alignment.curve(Alignment.IF).map(s -> s.fact());
        int cans = ReceiverChain.of(set.stored().deck(), set.set().tubes().data())
                .cans()
                .size();
        if (read.isPresent() && cans > 0) {
            try {
                ResponseCurve curve = Alignment.response(read.get());
                // Two humps are cans coupled beyond the critical, whose width tells another Q.
                if (curve.humps() == 1 && curve.width().isPresent() && Alignment.centred(curve, hertz)) {
                    return TunedData.byWidth(hertz, curve.width().getAsDouble(), cans);
                }
            } catch (InvalidEntry notACurve) {
                // What is usual is said to be so.
            }
        }
        return TunedData.usual(hertz);
    }

    double speakerOhms(OpenSet set) {
        return ReceiverChain.of(set.stored().deck(), set.set().tubes().data())
                .speaker()
                .flatMap(Card::value)
                .orElse(USUAL_OHMS);
    }

    /** Levels for the standard sound by where a plan puts its generator [V]. */
    Map<Feed, Double> needed(OpenSet set) {
        Map<Feed, Double> needed = new EnumMap<>(Feed.class);
        double speaker = Math.sqrt(STANDARD_WATTS * speakerOhms(set));
        of(set).ifPresent(gains -> gains.signalVolts(speaker).ifPresent(volts -> needed.put(Feed.CONVERTER, volts)));
        return needed;
    }

    /** Levels that were read, the last of each place. */
    static Map<String, LevelRead> levels(OpenSet set) {
        Map<String, LevelRead> levels = new HashMap<>();
        set.log().standing(LevelRead.class).forEach(s -> levels.put(s.fact().point(), s.fact()));
        return levels;
    }
}
