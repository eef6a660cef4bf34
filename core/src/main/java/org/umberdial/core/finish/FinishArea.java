package org.umberdial.core.finish;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberdial.core.alignment.Alignment;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.area.Stop;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.listening.Listening;
import org.umberdial.core.mechanics.Task;
import org.umberdial.core.mechanics.Works;
import org.umberdial.core.player.PlayerBench;
import org.umberdial.core.player.PlayerRanking;
import org.umberdial.core.player.Question;
import org.umberdial.core.set.Extra;
import org.umberdial.core.tuning.Dials;

/** Finish: the player or recorder in a set, and the work on its mechanics and looks. */
public final class FinishArea implements Area {
    static final String ID = "finish";
    private static final double DESCRIBE_MINUTES = 4;
    private static final double READ_MINUTES = 3;
    private static final double LOOK_MINUTES = 2;

    @Override
    public String id() {
        return ID;
    }

    @Override
    public String title() {
        return "Finish";
    }

    /** Whether there is something in the set that turns. */
    public static boolean turns(SetFile file) {
        return file.set().construction().player()
                || file.contents().extras().contains(Extra.PLAYER)
                || file.contents().extras().contains(Extra.RECORDER);
    }

    /** The work on mechanics and looks. */
    public static Works works(SetFile file) {
        return file.once(Works.class, () -> Works.of(file.log()));
    }

    /** The bands and their dials. */
    public static Dials dials(SetFile file) {
        return file.once(Dials.class, () -> Dials.of(file.log(), file.policy()));
    }

    /** How far it is aligned. */
    public static Alignment alignment(SetFile file) {
        return ReceiverFinish.alignment(file);
    }

    /** What speaks for cores that are not where they should be, a sentence; empty when nothing does. */
    public static Optional<String> signsOfDetuning(SetFile file) {
        return ReceiverFinish.signs(file);
    }

    /** What was heard of it. */
    public static Listening listening(SetFile file) {
        return ReceiverFinish.listening(file);
    }

    /** What is known of the player. */
    public static PlayerBench player(SetFile file) {
        return file.once(PlayerBench.class, () -> PlayerBench.of(file.log(), file.policy()));
    }

    @Override
    public List<Claim> claims(SetFile file) {
        List<Claim> claims = new ArrayList<>(works(file).claims());
        claims.addAll(dials(file).claims());
        claims.addAll(alignment(file).claims());
        claims.addAll(listening(file).claims());
        if (turns(file)) {
            claims.addAll(player(file).claims());
        }
        return claims;
    }

    @Override
    public List<Observation> observations(SetFile file, Ledger before) {
        List<Observation> seen = new ArrayList<>(works(file).observations());
        seen.addAll(dials(file).observations(file.policy()));
        seen.addAll(alignment(file).observations());
        seen.addAll(listening(file).observations());
        if (turns(file)) {
            seen.addAll(player(file).observations());
        }
        return seen;
    }

    @Override
    public List<Act> acts(SetFile file) {
        List<Act> acts = new ArrayList<>();
        works(file).all().forEach(work -> act(work).ifPresent(acts::add));
        acts.addAll(ReceiverFinish.acts(file));
        if (turns(file)) {
            acts.addAll(playerActs(player(file), file.set().construction().liveChassis()));
        }
        return acts;
    }

    private static Optional<Act> act(Works.Work work) {
        boolean look = work.state() == Works.State.DONE;
        if (work.task().isEmpty() || !look && work.state() != Works.State.PLANNED && work.state() != Works.State.BAD) {
            return Optional.empty();
        }
        Task task = work.task().get();
        String why = look
                ? "Once it is dry: " + task.check() + "."
                : task.before().isEmpty() ? "It is planned." : "Write down or photograph first: " + task.before() + ".";
        return Optional.of(new Act(
                ID + ":work-" + work.id(),
                "work",
                look ? "Look at it: " + work.name() : work.name(),
                why,
                work.claims(),
                look ? LOOK_MINUTES : task.minutes(),
                look ? Plug.OUT : Plug.OUT_HANDS_IN,
                look ? Act.Urgency.LAST : Act.Urgency.USUAL));
    }

    /** @param live whether the chassis may be live: then nothing is asked that touches it */
    private static List<Act> playerActs(PlayerBench player, boolean live) {
        List<Act> acts = new ArrayList<>();
        if (player.drive().isEmpty()) {
            acts.add(new Act(
                    ID + ":drive",
                    "drive",
                    "Describe the player’s drive",
                    "Its diameters name what turns as often as the unsteadiness comes.",
                    List.of(),
                    DESCRIBE_MINUTES,
                    Plug.OUT_HANDS_IN,
                    Act.Urgency.USUAL));
            return acts;
        }
        player.ranking()
                .ifPresent(r -> r.named().stream()
                        .filter(s -> !s.cause().part().equals("RECORD"))
                        .forEach(s -> acts.add(mend(s))));
        if (player.reads().isEmpty()) {
            acts.add(read(player));
        }
        player.ranking()
                .flatMap(r -> r.next().stream()
                        .filter(n -> !live || !n.question().touchesChassis())
                        .findFirst())
                .ifPresent(next -> acts.add(
                        act(next.question(), "It tells most of what explains the signs so far.", Act.Urgency.USUAL)));
        player.drive()
                .ifPresent(drive -> Question.of(drive.kind(), drive.described().has()).stream()
                        .filter(q -> q.asked()
                                && q.proves().isPresent()
                                && !player.answers().containsKey(q.id()))
                        .filter(q -> acts.stream().noneMatch(a -> a.subject().equals(q.id())))
                        .forEach(q -> acts.add(act(q, "Nobody has looked yet.", Act.Urgency.USUAL))));
        return acts;
    }

    private static Act mend(PlayerRanking.Suspect suspect) {
        return new Act(
                ID + ":mend-" + suspect.cause().id(),
                "suspects",
                "Look at it: likely " + suspect.cause().cause(),
                suspect.cause().remedy(),
                List.of(),
                READ_MINUTES,
                Plug.OUT_HANDS_IN,
                Act.Urgency.USUAL);
    }

    private static Act read(PlayerBench player) {
        return new Act(
                ID + ":speed",
                "speed",
                "Read the player’s speed",
                "A test record’s tone for a minute tells speed, wow and flutter, and which part makes them.",
                player.claims().stream()
                        .filter(c -> c.subject().startsWith(PlayerBench.PLAYER))
                        .toList(),
                READ_MINUTES,
                Plug.IN,
                Act.Urgency.USUAL);
    }

    private static Act act(Question question, String why, Act.Urgency urgency) {
        return new Act(
                ID + ":" + question.id(),
                question.asked() ? question.id() : "speed",
                question.asked()
                        ? question.ask()
                        : "Read speeds: " + question.how().get(0),
                why,
                question.proves().map(List::of).orElse(List.of()),
                question.minutes(),
                question.plug(),
                urgency);
    }

    /** What was wetted or glued bars power until somebody has said that it is dry. */
    @Override
    public List<Stop> stops(SetFile file) {
        return works(file).all().stream()
                .filter(Works.Work::bars)
                .map(work -> new Stop(
                        "power:drying:" + work.id(),
                        Gate.POWER,
                        work.name() + ": done, and nobody has looked whether it is dry.",
                        false,
                        ID + ":work-" + work.id()))
                .toList();
    }

    @Override
    public String standing(SetFile file) {
        List<String> sentences = new ArrayList<>();
        List<Works.Work> works = works(file).all();
        long left = works.stream().filter(w -> w.state() != Works.State.GOOD).count();
        if (!works.isEmpty()) {
            sentences.add(
                    left == 0
                            ? "All work that was planned is done."
                            : left + (left == 1 ? " piece" : " pieces") + " of work left.");
        }
        long dials = dials(file).all().stream()
                .filter(dial -> !file.ledger().sound(dial.claim()))
                .count();
        if (dials > 0) {
            sentences.add(dials + (dials == 1 ? " dial" : " dials") + " to set or to read.");
        }
        List<Claim> tuned = alignment(file).claims();
        long out = tuned.stream().filter(c -> file.ledger().failed(c)).count();
        if (out > 0) {
            sentences.add("Out of tune.");
        } else if (alignment(file).begun() && alignment(file).next().isPresent()) {
            sentences.add("Alignment begun.");
        }
        int heard = listening(file).bad().size();
        if (heard > 0) {
            sentences.add(heard + (heard == 1 ? " thing" : " things") + " heard that should not be.");
        }
        if (turns(file)) {
            sentences.add(standing(file, player(file)));
        }
        return sentences.isEmpty() ? "No work on mechanics or looks is planned." : String.join(" ", sentences);
    }

    private static String standing(SetFile file, PlayerBench player) {
        if (player.drive().isEmpty()) {
            return "Nobody has said how the player is driven.";
        }
        List<PlayerRanking.Suspect> named =
                player.ranking().map(PlayerRanking::named).orElse(List.of());
        if (!named.isEmpty()) {
            return "Likely " + named.stream().map(s -> s.cause().cause()).collect(Collectors.joining("; and ")) + ".";
        }
        List<Claim> claims = player.claims();
        long failed = claims.stream().filter(c -> file.ledger().failed(c)).count();
        long open = claims.stream().filter(c -> file.ledger().of(c).isEmpty()).count();
        if (failed > 0) {
            return failed + (failed == 1 ? " thing" : " things") + " of the player not as it should be"
                    + (open > 0 ? ", " + open + " not looked at." : ".");
        }
        return open == 0 ? "The player turns and tracks as it should." : open + " left to look at on the player.";
    }
}
