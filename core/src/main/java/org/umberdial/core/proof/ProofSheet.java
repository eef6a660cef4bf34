package org.umberdial.core.proof;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Engineering;

/**
 * How every part and every test point of a set stands: what the ledger knows of its claims, added up. What failed comes
 * before what is in doubt, what is in doubt before what is proven.
 */
public final class ProofSheet {
    /** What no circuit draws. */
    private static final Map<String, String> NAMES = Map.of(BenchSet.CORD, "line cord", BenchSet.FUSE, "line fuse");

    private final BenchSet set;
    private final Ledger ledger;
    private final List<Claim> claims;

    private ProofSheet(SetFile file) {
        set = file.set();
        ledger = file.ledger();
        claims = file.areas().stream()
                .map(area -> area.claims(file))
                .flatMap(List::stream)
                // Areas of the inspection are no parts, though one may be called like a part.
                .filter(claim -> claim.aspect() != Aspect.TAKEN_IN)
                .distinct()
                .toList();
    }

    /** The cord and fuse, every part in the set's order, then every test point in probing order. */
    public static List<Proof> of(SetFile file) {
        return file.once(Sheet.class, () -> new Sheet(new ProofSheet(file).all())).proofs;
    }

    private record Sheet(List<Proof> proofs) {}

    private List<Proof> all() {
        List<Proof> all = new ArrayList<>();
        claims.stream()
                .filter(c -> c.aspect() != Aspect.VOLTS)
                .map(Claim::subject)
                .filter(subject -> set.part(subject).isEmpty())
                .distinct()
                .forEach(subject -> all.add(proof(subject, NAMES.getOrDefault(subject, subject), false)));
        Set<String> tubes = new HashSet<>();
        set.parts().stream()
                .filter(ProofSheet::tangible)
                .filter(part -> !isTube(part) || tubes.add(set.tubeOf(part.reference())))
                .forEach(part -> all.add(part(part)));
        set.testPoints().forEach(point -> all.add(point(point)));
        return List.copyOf(all);
    }

    /**
     * Whether it is a thing one can point at: the line itself is not, and heaters and diodes are sections of their
     * tube.
     */
    private static boolean tangible(Part part) {
        return "RCLXD".indexOf(part.card().letter()) >= 0
                && !part.card().kind().equals("heater")
                && !part.card().kind().equals("coupling");
    }

    private static boolean isTube(Part part) {
        return part.card().letter() == 'X' && part.card().kind().equals("tube");
    }

    private Proof part(Part part) {
        String value = part.unit()
                .flatMap(unit -> part.workingValue().map(v -> Engineering.print(v, unit)))
                .orElse(TubeData.bare(part.card().model()));
        String name = part.description().isEmpty() ? value : part.description() + ", " + value;
        return proof(part.reference(), name, false);
    }

    private Proof point(TestPoint point) {
        Optional<Ledger.Standing> stands = ledger.of(new Claim(point.node(), Aspect.VOLTS));
        return new Proof(
                point.node(),
                point.name(),
                true,
                stands.map(s -> s.sound() ? ProofState.PROVEN : ProofState.DOUBTFUL)
                        .orElse(ProofState.UNPROVEN),
                stands.map(s -> s.holds().says()).orElse("Not read yet."));
    }

    private Proof proof(String subject, String name, boolean point) {
        List<Ledger.Standing> known = ledger.about(subject).stream()
                .filter(s -> s.claim().aspect() != Aspect.TAKEN_IN)
                .toList();
        Optional<Ledger.Standing> failed =
                known.stream().filter(Ledger.Standing::failed).findFirst();
        if (failed.isPresent()) {
            return new Proof(
                    subject, name, point, ProofState.TO_REPLACE, failed.get().says());
        }
        Optional<Ledger.Standing> doubted = known.stream()
                .filter(Ledger.Standing::doubted)
                .max((a, b) -> Boolean.compare(a.conflict(), b.conflict()));
        if (doubted.isPresent()) {
            return new Proof(
                    subject, name, point, ProofState.DOUBTFUL, doubted.get().says());
        }
        Optional<Ledger.Replaced> replaced = ledger.replaced(subject);
        if (replaced.isPresent()) {
            return new Proof(subject, name, point, ProofState.REPLACED, said(replaced.get(), known));
        }
        if (known.isEmpty()) {
            return new Proof(subject, name, point, ProofState.UNPROVEN, "Nothing has been read or seen of it yet.");
        }
        List<Claim> left = claims.stream()
                .filter(c -> c.subject().equalsIgnoreCase(subject) && !ledger.sound(c))
                .toList();
        // Somebody's word for the whole of it is not its insulation, which is only ever measured.
        boolean whole = left.isEmpty()
                || ledger.sound(new Claim(subject, Aspect.SOUND))
                        && left.stream().noneMatch(c -> c.aspect() == Aspect.INSULATION);
        String proven = known.stream().anyMatch(s -> s.claim().aspect() == Aspect.SOUND)
                ? ledger.of(new Claim(subject, Aspect.SOUND)).orElseThrow().says()
                : "Proven: "
                        + aspects(known.stream().map(Ledger.Standing::claim).toList()) + ".";
        return whole
                ? new Proof(subject, name, point, ProofState.PROVEN, proven)
                : new Proof(subject, name, point, ProofState.PARTLY, proven + " Not yet: " + aspects(left) + ".");
    }

    private static String said(Ledger.Replaced replaced, List<Ledger.Standing> since) {
        String with = replaced.with().isEmpty() ? "Replaced" : "Replaced with " + replaced.with();
        String stands = replaced.standsIn() ? ", which stands in for the right one" : "";
        return with + stands + "."
                + (since.isEmpty()
                        ? ""
                        : " Proven since: "
                                + aspects(since.stream()
                                        .map(Ledger.Standing::claim)
                                        .toList()) + ".");
    }

    private static String aspects(List<Claim> claims) {
        return claims.stream()
                .map(c -> c.aspect().label().toLowerCase(Locale.ROOT))
                .distinct()
                .collect(Collectors.joining(", "));
    }
}
