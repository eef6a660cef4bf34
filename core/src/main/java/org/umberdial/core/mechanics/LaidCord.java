package org.umberdial.core.mechanics;

import java.util.List;
import java.util.Locale;
import org.umberdial.core.evidence.CordLaid;
import org.umberdial.core.value.InvalidEntry;

/**
 * A cord as it was laid over a picture, reckoned in millimetres.
 *
 * @param mmPerWidth millimetres in the picture's width
 * @param cord its way
 * @param perTurn how far the pointer moves for a turn of what is turned [mm]
 * @param runs which way, as a sentence
 */
public record LaidCord(double mmPerWidth, DialCord cord, double perTurn, String runs) {
    /** To tie and to correct with [mm]. */
    public static final double SPARE = 200;

    /** @throws InvalidEntry when it cannot be, with what would be right */
    public static LaidCord of(CordLaid laid) {
        List<CordLaid.Round> rounds = laid.rounds();
        if (rounds.size() < 2 || rounds.size() > 12) {
            throw refused("rounds", "A cord goes over two to twelve rounds; there are " + rounds.size() + ".");
        }
        if (!(laid.aspect() > 0.05 && laid.aspect() < 20)) {
            throw refused("aspect", "The picture’s height is not known; choose it again.");
        }
        CordLaid.Round from = at(rounds, laid.scaleFrom(), "scaleFrom");
        CordLaid.Round to = at(rounds, laid.scaleTo(), "scaleTo");
        double apart = Math.hypot(to.x() - from.x(), (to.y() - from.y()) * laid.aspect());
        if (!(laid.scaleMm() >= 1 && laid.scaleMm() <= 2000) || !(apart > 1e-3)) {
            throw refused(
                    "scaleMm",
                    "Measure from the middle of one round to the middle of another, in millimetres, as in 85; choose two that lie apart.");
        }
        double scale = laid.scaleMm() / apart;
        DialCord cord = DialCord.of(
                rounds.stream()
                        .map(r -> new DialCord.Pulley(
                                r.name(),
                                r.x() * scale,
                                r.y() * laid.aspect() * scale,
                                r.diameter(),
                                r.clockwise(),
                                r.turns()))
                        .toList(),
                laid.closed());
        if (laid.pointer() < 0 || laid.pointer() >= cord.stretches().size()) {
            throw refused(
                    "pointer",
                    "The pointer sits on one of the " + cord.stretches().size() + " stretches.");
        }
        CordLaid.Round turned = at(rounds, laid.turned(), "turned");
        return new LaidCord(scale, cord, Math.PI * turned.diameter(), runs(cord, laid.pointer(), turned));
    }

    private static CordLaid.Round at(List<CordLaid.Round> rounds, int place, String field) {
        if (place < 0 || place >= rounds.size()) {
            throw refused(field, "Choose one of the " + rounds.size() + " rounds.");
        }
        return rounds.get(place);
    }

    private static InvalidEntry refused(String field, String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at(field);
    }

    private static String runs(DialCord cord, int pointer, CordLaid.Round turned) {
        DialCord.Stretch stretch = cord.stretches().get(pointer);
        // Turned clockwise, the cord goes on the way it lies on a round it goes round clockwise.
        double sign = turned.clockwise() ? 1 : -1;
        double dx = sign * (stretch.toX() - stretch.fromX());
        double dy = sign * (stretch.toY() - stretch.fromY());
        String way = Math.abs(dx) >= Math.abs(dy) ? dx > 0 ? "to the right" : "to the left" : dy > 0 ? "down" : "up";
        return String.format(
                Locale.ROOT,
                "Turn %s clockwise, as this picture shows it, and the pointer moves %s.",
                turned.name().isEmpty() ? "it" : "the " + turned.name().toLowerCase(Locale.ROOT),
                way);
    }
}
