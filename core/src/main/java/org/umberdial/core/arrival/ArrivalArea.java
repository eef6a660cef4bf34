package org.umberdial.core.arrival;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.set.ConstructionClass;

/** Taking a set in: pictures, label, the owner's words, the walk by eye. */
public final class ArrivalArea implements Area {
    private static final String ID = "arrival";
    private static final String PHOTOS = "photographs";
    private static final String LABEL = "supply label";
    private static final String WORDS = "owner's words";

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Arrival";
    }

    /** How far it is. */
    public static ArrivalState state(SetFile file) {
        return file.once(ArrivalState.class, () -> {
            SetFile.Contents c = file.contents();
            ConstructionClass construction = c.set().construction();
            return new ArrivalState(
                    c.photos(),
                    c.label(),
                    SupplyJudge.judge(c.label(), construction, c.policy()),
                    Inspection.of(construction, c.extras(), c.log()),
                    Complaints.of(construction, c.extras(), c.log()),
                    TakeApart.of(c.log()),
                    c.set().parts().size(),
                    file.powered());
        });
    }

    private static Claim taken(String what) {
        return new Claim(what, Aspect.TAKEN_IN);
    }

    @Override
    public List<Claim> claims(SetFile file) {
        List<Claim> claims = new ArrayList<>(List.of(taken(PHOTOS)));
        if (file.set().construction().lineFed()) {
            claims.add(taken(LABEL));
        }
        claims.add(taken(WORDS));
        state(file).inspection().areas().forEach(area -> claims.add(taken(area.name())));
        return claims;
    }

    @Override
    public List<Observation> observations(SetFile file, Ledger before) {
        ArrivalState state = state(file);
        List<Observation> seen = new ArrayList<>();
        if (state.photos() > 0) {
            seen.add(observation(taken(PHOTOS), Word.SOUND, state.photos() + " of them", Optional.empty()));
        }
        if (file.set().construction().lineFed() && !state.supply().taps().isEmpty()) {
            SupplyFinding gravest = state.findings().get(0);
            seen.add(observation(taken(LABEL), word(gravest.severity()), gravest.text(), Optional.empty()));
        }
        if (!state.complaints().told().isEmpty()) {
            seen.add(observation(taken(WORDS), Word.SOUND, "written down", Optional.empty()));
        }
        state.inspection().areas().stream()
                .filter(Inspection.Area::looked)
                .forEach(area -> seen.add(walked(file, area)));
        state.inspection().open().stream()
                .filter(finding -> !finding.looked().part().isEmpty())
                .forEach(finding -> seen.add(onPart(file, finding)));
        return seen;
    }

    private static Word word(Severity severity) {
        return switch (severity) {
            case STOP -> Word.FAILED;
            case DOUBT -> Word.DOUBTED;
            case NOTE -> Word.SOUND;
        };
    }

    private static Observation walked(SetFile file, Inspection.Area area) {
        Optional<Inspection.Finding> gravest = area.found().stream()
                .filter(Inspection.Finding::open)
                .max((a, b) -> a.row().severity().compareTo(b.row().severity()));
        String said = gravest.map(f -> f.row().lookFor() + "; " + f.row().means())
                .orElse(area.found().isEmpty() ? "nothing wrong seen" : "what was found is settled");
        Optional<String> entry = gravest.map(Inspection.Finding::id)
                .or(() -> file.log().standing(Looked.class).stream()
                        .filter(s -> s.fact().area().equals(area.name()))
                        .map(EvidenceLog.Standing::id)
                        .reduce((first, second) -> second));
        return observation(
                taken(area.name()),
                gravest.map(f -> word(f.row().severity())).orElse(Word.SOUND),
                said,
                entry.flatMap(id -> at(file, id)));
    }

    /** What was seen at a part. */
    private static Observation onPart(SetFile file, Inspection.Finding finding) {
        boolean out = finding.row().replaces() && finding.row().severity() != Severity.NOTE;
        return new Observation(
                new Claim(finding.looked().part(), Aspect.LOOKS),
                out ? Word.FAILED : Word.DOUBTED,
                Strength.SEEN,
                false,
                at(file, finding.id()).map(EvidenceLog.Standing::at).orElse(Instant.EPOCH),
                "Seen",
                finding.row().lookFor() + "; " + finding.row().means() + ".",
                at(file, finding.id()).map(s -> s.entry().author()).orElse(""),
                List.of(finding.id()));
    }

    private static Optional<EvidenceLog.Standing<Looked>> at(SetFile file, String id) {
        return file.log().standing(Looked.class).stream()
                .filter(s -> s.id().equals(id))
                .findFirst();
    }

    private static Observation observation(
            Claim claim, Word word, String says, Optional<EvidenceLog.Standing<Looked>> entry) {
        return new Observation(
                claim,
                word,
                Strength.SEEN,
                false,
                entry.map(EvidenceLog.Standing::at).orElse(Instant.EPOCH),
                "",
                says,
                entry.map(s -> s.entry().author()).orElse(""),
                entry.map(s -> List.of(s.id())).orElse(List.of()));
    }

    @Override
    public List<Act> acts(SetFile file) {
        return state(file).acts();
    }

    @Override
    public List<Stop> stops(SetFile file) {
        ArrivalState state = state(file);
        List<Stop> stops = new ArrayList<>();
        state.inspection()
                .stops()
                .forEach(f -> stops.add(new Stop(
                        "power:finding:" + f.id(),
                        Gate.POWER,
                        capital(f.row().area()) + ": " + f.row().lookFor() + "; "
                                + f.row().means() + ".",
                        true,
                        ID + ":settle-stop")));
        if (!file.set().construction().lineFed()) {
            return stops;
        }
        if (state.supply().taps().isEmpty()) {
            stops.add(new Stop(
                    "power:label", Gate.POWER, "Nobody has read the supply label.", false, ID + ":supply-label"));
        }
        state.findings().stream()
                .filter(f -> f.severity() == Severity.STOP)
                .forEach(f -> stops.add(
                        new Stop("power:label:" + f.rule(), Gate.POWER, f.text(), true, ID + ":supply-label")));
        return stops;
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    @Override
    public String standing(SetFile file) {
        ArrivalState state = state(file);
        List<String> said = new ArrayList<>();
        said.add(
                state.photos() == 0
                        ? "no photograph yet"
                        : state.photos() + (state.photos() == 1 ? " photograph" : " photographs"));
        int off = state.register().items().size();
        if (off > 0) {
            long back = state.register().items().stream()
                    .filter(TakeApart.Item::done)
                    .count();
            said.add(off + (off == 1 ? " thing off" : " things off") + (back == 0 ? "" : ", " + back + " back"));
        }
        if (file.set().construction().lineFed()) {
            said.add(label(state));
        }
        long left = state.inspection().areas().stream().filter(a -> !a.looked()).count();
        if (left > 0) {
            said.add(left + (left == 1 ? " area of the walk is left" : " areas of the walk are left"));
        }
        int open = state.inspection().open().size();
        if (open > 0) {
            said.add(open + (open == 1 ? " finding to settle" : " findings to settle"));
        }
        return capital(String.join(", ", said)) + ".";
    }

    private static String label(ArrivalState state) {
        if (state.supply().taps().isEmpty()) {
            return "label not read";
        }
        return switch (state.findings().get(0).severity()) {
            case NOTE -> "label fits the line";
            case DOUBT -> "label needs care";
            case STOP -> "label forbids this line";
        };
    }
}
