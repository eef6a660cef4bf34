package org.umberdial.core.proof;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.arrival.Inspection;
import org.umberdial.core.arrival.Severity;
import org.umberdial.core.cold.Charge;
import org.umberdial.core.cold.Claim;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.Role;
import org.umberdial.core.cold.Roles;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.journal.PartReplaced;
import org.umberdial.core.journal.Proved;
import org.umberdial.core.reading.Reading;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.reading.ReadingLog;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.volts.PartOhms;
import org.umberdial.core.volts.PointVerdict;
import org.umberdial.core.volts.Suspect;
import org.umberdial.core.volts.Verdict;
import org.umberdial.core.volts.VoltsReport;

/**
 * How every part and every test point of a set stands, from its readings, findings and tests.
 *
 * <p>The gravest word holds, but a test of the part itself counts for more than what is said about it: a suspicion does
 * not outlive a reading that clears it, and nothing outlives a replacement. Continuity in circuit proves nothing unless
 * it is above the marked value, so such a reading leaves a part unproven.
 */
public final class ProofSheet {
    private static final double GRAVE = 0.5;
    /** First letters of what is wound. */
    private static final String WINDINGS = "XL";

    private final BenchSet set;
    private final ColdBench cold;
    private final Map<String, List<Claim>> claims = new HashMap<>();
    private final Map<String, Reading> ohms = new HashMap<>();
    private final Map<String, Suspect> suspects = new HashMap<>();
    private final Map<String, Inspection.Finding> findings = new HashMap<>();
    private final Map<String, Proved> tests = new HashMap<>();
    private final Map<String, PartReplaced> replaced = new HashMap<>();
    private final Map<String, Instant> replacedAt = new HashMap<>();

    private ProofSheet(
            ColdScene scene, ReadingLog readings, VoltsReport volts, Inspection inspection, Journal journal) {
        set = scene.set();
        cold = ColdBench.of(scene, journal);
        ColdTests.all(scene)
                .forEach(claim -> claims.computeIfAbsent(key(claim.subject()), k -> new ArrayList<>())
                        .add(claim));
        double safe = scene.policy().safeVolts();
        Charge.evidence(readings.standing(), journal, safe).stream()
                .filter(reading -> reading.kind() == ReadingKind.OHMS)
                .forEach(reading -> ohms.put(reading.subject(), reading));
        volts.findings()
                .forEach(finding -> finding.suspects()
                        .forEach(suspect ->
                                suspects.merge(key(suspect.part()), suspect, (a, b) -> a.odds() >= b.odds() ? a : b)));
        inspection.open().stream()
                .filter(finding -> !finding.looked().part().isEmpty())
                .forEach(finding -> findings.putIfAbsent(key(finding.looked().part()), finding));
        journal.standing(Proved.class).forEach(s -> tests.put(key(s.fact().subject()), s.fact()));
        journal.standing(PartReplaced.class).forEach(s -> {
            replaced.put(key(s.fact().part()), s.fact());
            replacedAt.put(key(s.fact().part()), s.entry().takenAt());
        });
    }

    /** Every part in the set's order, then every test point in probing order. */
    public static List<Proof> of(
            ColdScene scene, ReadingLog readings, VoltsReport volts, Inspection inspection, Journal journal) {
        BenchSet set = scene.set();
        ProofSheet sheet = new ProofSheet(scene, readings, volts, inspection, journal);
        List<Proof> all = new ArrayList<>();
        scene.roles().of(Role.LINE_CORD).forEach(cord -> all.add(sheet.undrawn(cord, "line cord")));
        scene.roles().of(Role.LINE_FUSE).stream()
                .filter(Roles.FUSE::equals)
                .forEach(fuse -> all.add(sheet.undrawn(fuse, "line fuse")));
        Set<String> tubes = new HashSet<>();
        set.parts().stream()
                .filter(ProofSheet::tangible)
                .filter(part -> !isTube(part) || tubes.add(socket(part)))
                .forEach(part -> all.add(sheet.part(part)));
        volts.points().forEach(point -> all.add(point(point)));
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

    /** Sections of one tube share its socket: {@code XV3}, {@code XV3D} and {@code XV3B} are all V3. */
    private static String socket(Part part) {
        return part.reference().toUpperCase(Locale.ROOT).replaceAll("(?<=[0-9])[A-Z]$", "");
    }

    private static String key(String reference) {
        return reference.toUpperCase(Locale.ROOT);
    }

    private Proof part(Part part) {
        String key = key(part.reference());
        Optional<Reading> reading = Optional.ofNullable(ohms.get(part.reference()))
                .filter(r -> !r.takenAt().isBefore(replacedAt.getOrDefault(key, Instant.MIN)));
        Optional<PartOhms.Judged> judged =
                reading.map(r -> PartOhms.judge(part, r.value(), !r.lifted().isEmpty()));
        if (judged.map(j -> j.verdict() == Verdict.BAD).orElse(false)) {
            return proof(part, ProofState.TO_REPLACE, judged.get().reason());
        }
        if (replaced.containsKey(key)) {
            String with = replaced.get(key).with();
            return proof(part, ProofState.REPLACED, with.isEmpty() ? "Replaced." : "Replaced with " + with + ".");
        }
        return Optional.ofNullable(tests.get(key))
                .map(test -> tested(part, test))
                .or(() -> covered(key)
                        .filter(cover -> cover.state != ProofState.PARTLY)
                        .map(cover -> proof(part, cover.state, cover.reason)))
                .or(() -> judged.filter(j -> j.verdict() == Verdict.GOOD)
                        .map(j -> proof(part, ProofState.PROVEN, j.reason())))
                .or(() -> Optional.ofNullable(suspects.get(key)).flatMap(suspect -> suspected(part, suspect)))
                .or(() -> Optional.ofNullable(findings.get(key)).map(finding -> found(part, finding)))
                .or(() -> covered(key).map(cover -> proof(part, cover.state, cover.reason)))
                .or(() -> judged.map(j -> proof(part, ProofState.UNPROVEN, j.reason())))
                .orElseGet(() -> proof(part, ProofState.UNPROVEN, "Nothing has been read or seen of it yet."));
    }

    private record Covered(ProofState state, String reason) {}

    /**
     * What the cold tests say of a part: all of it proven, some of it, or something of it in doubt or gone. An open
     * winding stays in doubt until its lead-outs were looked at.
     */
    private Optional<Covered> covered(String key) {
        List<Claim> all = claims.getOrDefault(key, List.of());
        List<Claim> known = all.stream().filter(cold.covers()::containsKey).toList();
        if (known.isEmpty()) {
            return Optional.empty();
        }
        Optional<ColdBench.Cover> bad = known.stream()
                .map(cold.covers()::get)
                .filter(cover -> cover.known() == ColdBench.Known.REFUTED)
                .findFirst();
        if (bad.isPresent()) {
            boolean winding = known.stream()
                    .anyMatch(claim -> cold.covers().get(claim).known() == ColdBench.Known.REFUTED
                            && claim.aspect().contains("continuity")
                            && !cold.covers().get(claim).test().equals("lead-out")
                            && WINDINGS.contains(key.substring(0, 1)));
            return Optional.of(new Covered(
                    winding ? ProofState.DOUBTFUL : ProofState.TO_REPLACE,
                    bad.get().by() + ": " + bad.get().says() + (winding ? " Examine its lead-outs first." : "")));
        }
        Optional<ColdBench.Cover> doubt = known.stream()
                .map(cold.covers()::get)
                .filter(cover -> cover.known() == ColdBench.Known.DOUBTED)
                .findFirst();
        if (doubt.isPresent()) {
            return Optional.of(new Covered(
                    ProofState.DOUBTFUL, doubt.get().by() + ": " + doubt.get().says()));
        }
        String proven =
                "Proven: " + String.join(", ", known.stream().map(Claim::aspect).toList()) + ".";
        List<String> left = all.stream()
                .filter(claim -> !known.contains(claim))
                .map(Claim::aspect)
                .toList();
        return Optional.of(
                left.isEmpty()
                        ? new Covered(ProofState.PROVEN, proven)
                        : new Covered(ProofState.PARTLY, proven + " Not yet: " + String.join(", ", left) + "."));
    }

    /** The cord and the fuse, which no circuit draws. */
    private Proof undrawn(String reference, String name) {
        return Optional.ofNullable(tests.get(reference))
                .map(test -> new Proof(
                        reference,
                        name,
                        false,
                        test.sound() ? ProofState.PROVEN : ProofState.TO_REPLACE,
                        test.sentence() + "."))
                .or(() -> Optional.ofNullable(replaced.get(reference))
                        .map(r -> new Proof(reference, name, false, ProofState.REPLACED, r.sentence() + ".")))
                .or(() -> covered(reference).map(cover -> new Proof(reference, name, false, cover.state, cover.reason)))
                .orElse(new Proof(
                        reference, name, false, ProofState.UNPROVEN, "Nothing has been read or seen of it yet."));
    }

    private static Proof tested(Part part, Proved test) {
        return proof(part, test.sound() ? ProofState.PROVEN : ProofState.TO_REPLACE, test.sentence() + ".");
    }

    private static Optional<Proof> suspected(Part part, Suspect suspect) {
        String share = Math.round(100 * suspect.odds()) + " %";
        return switch (suspect.standing()) {
            case PROVEN ->
                Optional.of(
                        proof(part, ProofState.TO_REPLACE, "Proven " + suspect.failure() + ". " + suspect.reason()));
            case CLEARED ->
                Optional.of(proof(part, ProofState.PROVEN, "Cleared of being " + suspect.failure() + " by its test."));
            case OPEN ->
                suspect.odds() < 0.05
                        ? Optional.empty()
                        : Optional.of(proof(
                                part,
                                ProofState.DOUBTFUL,
                                (suspect.odds() >= GRAVE ? "Most likely " : "Perhaps ") + suspect.failure() + " ("
                                        + share + "). " + suspect.reason()));
        };
    }

    private static Proof found(Part part, Inspection.Finding finding) {
        boolean out = finding.row().replaces() && finding.row().severity() != Severity.NOTE;
        return proof(
                part,
                out ? ProofState.TO_REPLACE : ProofState.DOUBTFUL,
                "Seen: " + finding.row().lookFor() + "; " + finding.row().means() + ".");
    }

    private static Proof proof(Part part, ProofState state, String reason) {
        String value = part.unit()
                .flatMap(unit -> part.workingValue().map(v -> Engineering.print(v, unit)))
                .orElse(TubeData.bare(part.card().model()));
        String name = part.description().isEmpty() ? value : part.description() + ", " + value;
        return new Proof(part.reference(), name, false, state, reason);
    }

    private static Proof point(PointVerdict point) {
        ProofState state = switch (point.verdict()) {
            case GOOD -> ProofState.PROVEN;
            case BAD, DOUBT, FOLLOWS -> ProofState.DOUBTFUL;
            default -> ProofState.UNPROVEN;
        };
        return new Proof(
                point.point().node(),
                point.point().name(),
                true,
                state,
                point.reason().isEmpty() ? "Not read yet." : point.reason());
    }
}
