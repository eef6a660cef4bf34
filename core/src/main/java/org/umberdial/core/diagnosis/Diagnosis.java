package org.umberdial.core.diagnosis;

import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What readings say of a set.
 *
 * @param healthy how likely everything is as it should be, as far as these readings can show, 0 to 1
 * @param sound how likely nothing is wrong that any spot would show, whether it was read or not, 0 to 1
 * @param unknown how likely it is something that was not reckoned: two faults at once, a wrong wire, a part not drawn
 * @param suspects the likeliest first
 * @param unseen faults that no point of this set shows, whatever is read
 * @param unsolved faults with which the circuit does not settle, or that were too many; nothing is known of them
 * @param passedOver spots that were read and have nothing to be compared with
 * @param probes what would tell most for its time, the best first; empty when nothing would tell anything
 */
public record Diagnosis(
        double healthy,
        double sound,
        double unknown,
        List<Suspect> suspects,
        List<FaultMode> unseen,
        List<FaultMode> unsolved,
        List<Spot> passedOver,
        List<Probe> probes) {
    public Diagnosis {
        suspects = List.copyOf(suspects);
        unseen = List.copyOf(unseen);
        unsolved = List.copyOf(unsolved);
        passedOver = List.copyOf(passedOver);
        probes = List.copyOf(probes);
    }

    /**
     * One part that may be bad, or several that nothing here tells apart.
     *
     * @param fault its likeliest way of being bad, {@code grade} how far
     * @param second a further part that has to be bad too; empty for one fault alone
     * @param posterior that it is this part, in whatever way, 0 to 1
     * @param alike parts that would show just so at every point; they share what is believed of them
     * @param signs each reading against it
     * @param predicted what every spot would show [V, Ω]
     * @param acquits a reading not yet taken that would clear it; empty when none would
     */
    public record Suspect(
            FaultMode fault,
            double grade,
            Optional<Second> second,
            double posterior,
            List<String> alike,
            List<Sign> signs,
            Map<Spot, Double> predicted,
            Optional<Acquittal> acquits) {
        public Suspect {
            alike = List.copyOf(alike);
            signs = List.copyOf(signs);
            predicted = Map.copyOf(predicted);
        }

        /** {@code C4 leaks, about 470 kΩ}. */
        public String says() {
            return fault.says(grade)
                    + second.map(other -> ", and " + other.fault.says(other.grade))
                            .orElse("");
        }

        /** Every part that is meant. */
        public List<String> parts() {
            return second.map(other -> List.of(fault.subject(), other.fault.subject()))
                    .orElse(List.of(fault.subject()));
        }
    }

    /** The other of two faults at once. */
    public record Second(FaultMode fault, double grade) {}

    /**
     * One reading in the light of a suspect.
     *
     * @param predicted with this fault, {@code healthy} without any [V, Ω]
     * @param speaks for it above 0, against it below, in the logarithm of the odds against a healthy set
     * @param movedBy of the parts that are meant, those that move this reading
     */
    public record Sign(Spot spot, double read, double predicted, double healthy, double speaks, List<String> movedBy) {
        public Sign {
            movedBy = List.copyOf(movedBy);
        }

        /** Whether it is of the direct volts of a node. */
        public boolean isVoltsAt(String node) {
            return spot.equals(Spot.dc(node));
        }
    }

    /** Above, or below, so much at a spot the suspect is cleared [V, Ω]. */
    public record Acquittal(Spot spot, boolean above, double shown) {}

    /**
     * Something that can be done next.
     *
     * @param spot to read; empty when a part is tested
     * @param part to test; empty when a spot is read
     * @param bits how much it is expected to tell
     * @param minutes that it takes
     */
    public record Probe(Optional<Spot> spot, String part, double bits, double minutes) {
        /** The node to read, whatever is read there; empty when a part is tested. */
        public String node() {
            return spot.map(Spot::node).orElse("");
        }

        public double perMinute() {
            return bits / minutes;
        }
    }

    /** Whether the readings are those of a healthy set more than of anything else. */
    public boolean looksHealthy() {
        return healthy > unknown
                && (suspects.isEmpty() || healthy > suspects.get(0).posterior());
    }

    /** What to do next. */
    public Optional<Probe> next() {
        return probes.stream().findFirst();
    }
}
