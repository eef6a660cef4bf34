package org.umberdial.core.tuning;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.DialRead;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.value.InvalidEntry;

/** The bands of a set with what was read at their dials. */
public final class Dials {
    /**
     * One band.
     *
     * @param check by the last reading at each dial point
     * @param before what was read at dial points earlier, the latest of it at each
     */
    public record Dial(Band band, DialCheck check, List<DialCheck.Point> before, List<String> entries, Instant at) {
        public Dial {
            before = List.copyOf(before);
            entries = List.copyOf(entries);
        }

        public Claim claim() {
            return new Claim("DIAL " + band.said().name().toUpperCase(Locale.ROOT), Aspect.TRACKS);
        }
    }

    private final List<Dial> all;

    private Dials(List<Dial> all) {
        this.all = List.copyOf(all);
    }

    public static Dials of(EvidenceLog log, HousePolicy policy) {
        Map<String, Band> bands = new LinkedHashMap<>();
        log.standing(BandSaid.class).forEach(said -> {
            try {
                bands.put(said.fact().name(), new Band(said.fact()));
            } catch (InvalidEntry cannotBe) {
                // A file from elsewhere may say what cannot be; then nobody has said it.
                bands.remove(said.fact().name());
            }
        });
        List<Dial> dials = new ArrayList<>();
        bands.forEach((name, band) -> dials.add(dial(band, log, policy)));
        return new Dials(dials);
    }

    private static Dial dial(Band band, EvidenceLog log, HousePolicy policy) {
        Map<Double, Standing<DialRead>> last = new LinkedHashMap<>();
        Map<Double, Standing<DialRead>> before = new LinkedHashMap<>();
        for (Standing<DialRead> read : log.standing(DialRead.class)) {
            if (read.fact().band().equals(band.said().name())) {
                Standing<DialRead> earlier = last.put(read.fact().dialKilohertz(), read);
                if (earlier != null) {
                    before.put(read.fact().dialKilohertz(), earlier);
                }
            }
        }
        double apart = policy.finish().dialApart();
        return new Dial(
                band,
                DialCheck.of(band, readings(last), apart),
                DialCheck.of(band, readings(before), apart).points(),
                last.values().stream().map(Standing::id).toList(),
                last.values().stream().map(Standing::at).max(Instant::compareTo).orElse(Instant.MIN));
    }

    private static List<double[]> readings(Map<Double, Standing<DialRead>> read) {
        return read.values().stream()
                .map(r -> new double[] {r.fact().dialKilohertz(), r.fact().actualKilohertz()})
                .toList();
    }

    public List<Dial> all() {
        return all;
    }

    public List<Claim> claims() {
        return all.stream().map(Dial::claim).toList();
    }

    /** A dial is right when its ends and its middle are; one point that is off makes it wrong. */
    public List<Observation> observations(HousePolicy policy) {
        double apart = policy.finish().dialApart();
        List<Observation> seen = new ArrayList<>();
        for (Dial dial : all) {
            DialCheck check = dial.check();
            var worst = check.points().stream().max(Comparator.comparingDouble(p -> Math.abs(p.off())));
            if (worst.isEmpty()) {
                continue;
            }
            boolean wrong = Math.abs(worst.get().off()) > apart;
            if (!wrong && !check.enough()) {
                continue;
            }
            seen.add(new Observation(
                    dial.claim(),
                    wrong ? Observation.Word.FAILED : Observation.Word.SOUND,
                    Strength.ISOLATED,
                    false,
                    dial.at(),
                    "",
                    String.format(
                            Locale.ROOT,
                            "At %s kHz on the dial %s kHz comes in, %+.1f %%, where %.1f %% is allowed%s.",
                            Band.plain(worst.get().dial()),
                            Band.plain(worst.get().actual()),
                            100 * worst.get().off(),
                            100 * apart,
                            wrong ? "" : "; no point is further off"),
                    "",
                    dial.entries()));
        }
        return seen;
    }
}
