package org.umberdial.core.finish;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.alignment.AlignStep;
import org.umberdial.core.alignment.Alignment;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.RadioRead;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.evidence.Told;
import org.umberdial.core.listening.Listening;
import org.umberdial.core.listening.ListeningQuestion;
import org.umberdial.core.policy.School;
import org.umberdial.core.role.NetworkRole;
import org.umberdial.core.role.PartRoles;
import org.umberdial.core.tuning.Dials;

/** What of Finish belongs to a receiver: its dial, its alignment, and the listening test of any set. */
final class ReceiverFinish {
    private static final double READ_MINUTES = 3;
    private static final double DESCRIBE_MINUTES = 3;
    private static final double STEP_MINUTES = 4;
    /** Symptoms that a tuned circuit out of its place makes, beside others. */
    private static final Set<String> DETUNED = Set.of(
            "weak-on-all-bands-phono-good",
            "stations-at-the-wrong-place",
            "weak-or-dead-on-one-band-only",
            "fm-noisy-am-good");

    private ReceiverFinish() {}

    static Alignment alignment(SetFile file) {
        return file.once(
                Alignment.class,
                () -> Alignment.of(
                        file.log(),
                        FinishArea.dials(file).all().stream()
                                .map(Dials.Dial::band)
                                .toList(),
                        file.set().construction().liveChassis(),
                        Map.of()));
    }

    static Listening listening(SetFile file) {
        return file.once(Listening.class, () -> Listening.of(file.log(), has(file)));
    }

    /** What the set is and has, in the words of the listening test. */
    private static Set<String> has(SetFile file) {
        Set<String> has = new HashSet<>();
        Optional<ReceiverSaid> receiver = alignment(file).receiver();
        if (!file.set().construction().player()) {
            has.add("radio");
        }
        if (FinishArea.turns(file)) {
            has.add("player");
        }
        boolean fmBand = FinishArea.dials(file).all().stream()
                .anyMatch(dial -> dial.band().frequencyModulated());
        if (fmBand || receiver.filter(ReceiverSaid::fm).isPresent()) {
            has.add("fm");
        }
        if (!file.log().standing(RadioRead.class).isEmpty()) {
            has.add("relay");
        }
        PartRoles roles = new PartRoles(file.set().cards(), file.set().tubes().data());
        long coils = file.set().cards().stream()
                .filter(c -> roles.role(c.reference())
                        .filter(r -> r == NetworkRole.SPEAKER_VOICE_COIL)
                        .isPresent())
                .count();
        if (coils > 1) {
            has.add("stereo");
        }
        if (receiver.filter(r -> r.has().contains(ReceiverSaid.Has.EYE)).isPresent()
                || file.set().cards().stream()
                        .anyMatch(c -> roles.role(c.reference())
                                .filter(r -> r == NetworkRole.EYE_TUBE)
                                .isPresent())) {
            has.add("eye");
        }
        return has;
    }

    static List<Act> acts(SetFile file) {
        List<Act> acts = new ArrayList<>();
        FinishArea.dials(file).all().forEach(dial -> dial(file, dial).ifPresent(acts::add));
        alignmentAct(file).ifPresent(acts::add);
        acts.addAll(listeningActs(listening(file), file.powered()));
        return acts;
    }

    private static Optional<Act> dial(SetFile file, Dials.Dial dial) {
        if (file.ledger().sound(dial.claim())) {
            return Optional.empty();
        }
        String name = dial.band().said().name();
        List<String> advice = dial.check().advice();
        return Optional.of(new Act(
                FinishArea.ID + ":dial-" + name,
                "dial",
                advice.isEmpty()
                        ? "Read the dial of " + name + " at its ends and its middle"
                        : "Set the dial of " + name,
                advice.isEmpty() ? "It tells whether oscillator and pointer are where they were made." : advice.get(0),
                List.of(dial.claim()),
                READ_MINUTES,
                Plug.IN,
                Act.Urgency.USUAL));
    }

    /** What speaks for cores that are not where they should be, a sentence; empty when nothing does. */
    static Optional<String> signs(SetFile file) {
        if (alignment(file)
                .receiver()
                .filter(r -> r.has().contains(ReceiverSaid.Has.TOUCHED))
                .isPresent()) {
            return Optional.of("Its cores show marks of a tool.");
        }
        if (FinishArea.dials(file).all().stream().anyMatch(d -> file.ledger().failed(d.claim()))) {
            return Optional.of("Its dial is off.");
        }
        if (alignment(file).claims().stream().anyMatch(c -> file.ledger().failed(c))) {
            return Optional.of("A curve that was read is off.");
        }
        boolean told = file.log().standing(Told.class).stream()
                        .anyMatch(t -> DETUNED.contains(t.fact().symptom()))
                || Listening.symptoms(file.log()).stream().anyMatch(s -> DETUNED.contains(s.id()));
        return told ? Optional.of("What is heard of it can come from circuits out of tune.") : Optional.empty();
    }

    /** A point was read right, and none is wrong: else a fault is tuned. */
    private static boolean voltsRight(SetFile file) {
        List<Ledger.Standing> volts = file.ledger().standings().stream()
                .filter(s -> s.claim().aspect() == Aspect.VOLTS)
                .toList();
        return !volts.isEmpty() && volts.stream().allMatch(Ledger.Standing::sound);
    }

    private static Optional<Act> alignmentAct(SetFile file) {
        School school = file.policy().schools().of(School.Question.ALIGNMENT);
        Alignment alignment = alignment(file);
        Optional<String> signs = signs(file);
        boolean offered = switch (school) {
            case ALIGN_NEVER -> false;
            case ALIGN_ALWAYS, ALIGN_LAST -> !file.set().construction().player() && voltsRight(file);
            default -> signs.isPresent() || alignment.begun();
        };
        boolean settled = alignment.receiver().isPresent()
                && alignment.claims().stream().allMatch(c -> file.ledger().sound(c))
                && alignment.next().isEmpty();
        if (!offered || settled) {
            return Optional.empty();
        }
        Optional<AlignStep> next = alignment.next();
        String title = alignment.receiver().isEmpty()
                ? "Say what kind of receiver it is"
                : next.map(step -> "Align: " + step.title()).orElse("Align: read the curves again");
        return Optional.of(new Act(
                FinishArea.ID + ":align",
                "alignment",
                title,
                signs.orElse("The house aligns a set once its voltages are right."),
                alignment.claims(),
                alignment.receiver().isEmpty() ? DESCRIBE_MINUTES : STEP_MINUTES,
                Plug.IN,
                school == School.ALIGN_LAST ? Act.Urgency.LAST : Act.Urgency.USUAL));
    }

    /** The first of what is still to be heard; what was heard to be wrong comes before. */
    private static List<Act> listeningActs(Listening listening, boolean powered) {
        List<Act> acts = new ArrayList<>();
        for (ListeningQuestion bad : listening.bad()) {
            acts.add(new Act(
                    FinishArea.ID + ":heard-" + bad.id(),
                    "listening",
                    "Look for the cause: " + bad.ask() + " " + bad.bad(),
                    bad.symptom().map(s -> s.firstAsk()).orElse("It was heard, and nothing explains it yet."),
                    List.of(bad.claim()),
                    READ_MINUTES,
                    Plug.OUT,
                    Act.Urgency.USUAL));
        }
        if (!powered && !listening.begun()) {
            return acts;
        }
        listening.open().stream()
                .findFirst()
                .ifPresent(open -> acts.add(new Act(
                        FinishArea.ID + ":listen-" + open.id(),
                        "listening",
                        listening.begun() ? "Listen: " + open.ask() : "Begin the listening test",
                        listening.open().size() + " of " + listening.asked().size() + " left.",
                        List.of(open.claim()),
                        open.minutes(),
                        Plug.IN,
                        Act.Urgency.LAST)));
        return acts;
    }
}
