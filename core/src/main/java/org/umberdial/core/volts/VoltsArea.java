package org.umberdial.core.volts;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Observation.Word;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.diagnosis.Background;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.Told;
import org.umberdial.core.listening.Listening;
import org.umberdial.core.role.Symptom;
import org.umberdial.core.set.Part;

/** Voltages under power: what every point shows, and which part that speaks against. */
public final class VoltsArea implements Area {
    private static final String ID = "volts";
    /** Below these odds a suspicion is not worth marking a part for. */
    private static final double WORTH_MARKING = 0.05;
    /** Findings of the inspection that say that a part was too hot. */
    static final Set<String> CHARRED =
            Set.of("resistors-body-cracked-chalked", "output-transformer-output-grid-resistor");
    /** From these odds on a part is most likely it. */
    private static final double GRAVE = 0.5;

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Volts";
    }

    @Override
    public boolean underPower() {
        return true;
    }

    /** What the points say, in the light of what the areas before know. */
    public static VoltsReport report(SetFile file) {
        file.ledger();
        return file.once(VoltsReport.class, () -> {
            throw new IllegalStateException("the ledger asks every area, and this one reckons its report then");
        });
    }

    @Override
    public List<Claim> claims(SetFile file) {
        return file.set().testPoints().stream()
                .map(point -> new Claim(point.node(), Aspect.VOLTS))
                .toList();
    }

    @Override
    public List<Observation> observations(SetFile file, Ledger before) {
        VoltsReport report = file.once(
                VoltsReport.class,
                () -> VoltsJudge.judge(
                        file.set(),
                        file.log().readings(),
                        file.policy(),
                        file.contents().bench(),
                        background(file, before),
                        file.once(AtlasSource.class, () -> AtlasSource.NONE)));
        if (report.underway() || report.waits()) {
            file.holdsForNow();
        }
        List<Observation> seen = new ArrayList<>(VoltsJudge.observations(file.set(), report.lifts()));
        report.points().forEach(point -> point(point).ifPresent(seen::add));
        report.findings().forEach(finding -> {
            Instant at = report.points().stream()
                    .filter(p -> p.point().node().equals(finding.node()))
                    .findFirst()
                    .flatMap(PointVerdict::reading)
                    .map(Reading::takenAt)
                    .orElse(Instant.EPOCH);
            finding.suspects().forEach(suspect -> suspected(file, suspect, at).ifPresent(seen::add));
        });
        return seen;
    }

    /** What is known of a set beside its readings. */
    public static Background background(SetFile file, Ledger known) {
        return new Background(
                known,
                Stream.concat(
                                file.log().standing(Told.class).stream()
                                        .flatMap(told -> Symptom.of(told.fact().symptom()).stream()),
                                Listening.symptoms(file.log()).stream())
                        .distinct()
                        .toList(),
                file.log().standing(Looked.class).stream()
                        .map(EvidenceLog.Standing::fact)
                        .filter(look -> CHARRED.contains(look.finding()))
                        .flatMap(look -> file.set().part(look.part()).stream())
                        .map(Part::reference)
                        .distinct()
                        .toList());
    }

    private static Optional<Observation> point(PointVerdict point) {
        Word word = switch (point.verdict()) {
            case GOOD -> Word.SOUND;
            case BAD, DOUBT, FOLLOWS -> Word.DOUBTED;
            default -> null;
        };
        return point.reading()
                .filter(reading -> word != null)
                .map(reading -> new Observation(
                        new Claim(point.point().node(), Aspect.VOLTS),
                        word,
                        Strength.IN_CIRCUIT,
                        false,
                        reading.takenAt(),
                        "",
                        point.reason(),
                        "",
                        List.of(reading.id())));
    }

    /** What a test has settled is an observation of its own. */
    private static Optional<Observation> suspected(SetFile file, Suspect suspect, Instant at) {
        if (suspect.aspect().isEmpty()
                || suspect.standing() != Suspect.Standing.OPEN
                || suspect.odds() < WORTH_MARKING) {
            return Optional.empty();
        }
        return Optional.of(new Observation(
                new Claim(file.set().tubeOf(suspect.part()), suspect.aspect().get()),
                Word.DOUBTED,
                Strength.INFERRED,
                false,
                at,
                "",
                (suspect.odds() >= GRAVE ? "Most likely " : "Perhaps ")
                        + suspect.failure()
                        + String.format(Locale.ROOT, " (%.0f %%). ", 100 * suspect.odds())
                        + suspect.reason(),
                "",
                List.of()));
    }

    @Override
    public List<Act> acts(SetFile file) {
        return report(file).acts();
    }

    /** Running on does harm: the plug comes out before anything else. */
    @Override
    public List<Stop> stops(SetFile file) {
        return report(file).findings().stream()
                .filter(Finding::urgent)
                .map(finding -> new Stop(
                        "power:harm:" + finding.node(),
                        Gate.POWER,
                        finding.text() + " Running on overheats the tube.",
                        true,
                        ID + ":stop-harm"))
                .toList();
    }

    @Override
    public String standing(SetFile file) {
        List<PointVerdict> points = report(file).points();
        if (points.isEmpty()) {
            return "No test points yet.";
        }
        long unread = points.stream().filter(p -> p.verdict() == Verdict.UNREAD).count();
        if (unread == points.size()) {
            return points.size() + " points to read.";
        }
        List<String> said = new ArrayList<>();
        said(said, points, Verdict.BAD, "wrong");
        said(said, points, Verdict.FOLLOWS, "only follow another");
        said(said, points, Verdict.DOUBT, "in doubt");
        said(said, points, Verdict.UNUSUAL, "unusual");
        boolean fine = said.isEmpty();
        if (fine && points.stream().allMatch(p -> p.verdict() == Verdict.GOOD)) {
            return points.size() == 1 ? "The one point is right." : "All " + points.size() + " points are right.";
        }
        if (unread > 0) {
            said.add(unread + (unread == 1 ? " point left" : " points left"));
        }
        return (fine ? "Nothing wrong so far" + (said.isEmpty() ? "" : "; ") : "") + String.join(", ", said) + ".";
    }

    private static void said(List<String> said, List<PointVerdict> points, Verdict verdict, String words) {
        long count = points.stream().filter(p -> p.verdict() == verdict).count();
        if (count > 0) {
            said.add(count + " " + words);
        }
    }
}
