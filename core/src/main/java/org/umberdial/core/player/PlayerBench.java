package org.umberdial.core.player;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Observation.Word;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.PlayerAnswered;
import org.umberdial.core.evidence.PlayerDescribed;
import org.umberdial.core.evidence.PlayerMended;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.value.InvalidEntry;

/**
 * A player as its evidence has it: the drive, the speeds, what was answered, and what that says.
 *
 * @param drive empty until somebody described it
 * @param reads speeds, in the order of time, those before the last mending too
 * @param since those after it, which alone speak
 * @param answers the last answer to each question that still speaks
 * @param signs which signs are there and which are not, by the id of their question
 * @param ranking empty until the drive is described
 */
public record PlayerBench(
        Optional<Drive> drive,
        List<Standing<SpeedRead>> reads,
        List<Standing<SpeedRead>> since,
        Map<String, Standing<PlayerAnswered>> answers,
        Map<String, Boolean> signs,
        Optional<PlayerRanking> ranking,
        List<Observation> observations) {
    /** What speed and steadiness are claims of. */
    public static final String PLAYER = "PLAYER";

    private static final Claim STEADY = new Claim(PLAYER, Aspect.STEADY);

    public PlayerBench {
        reads = List.copyOf(reads);
    }

    public static PlayerBench of(EvidenceLog log, HousePolicy policy) {
        Optional<Drive> drive = log.latest(PlayerDescribed.class).flatMap(PlayerBench::drive);
        List<Standing<SpeedRead>> reads = log.standing(SpeedRead.class);
        Instant mended = log.standing(PlayerMended.class).stream()
                .map(Standing::at)
                .max(Instant::compareTo)
                .orElse(Instant.MIN);
        List<Standing<SpeedRead>> since =
                reads.stream().filter(r -> r.at().isAfter(mended)).toList();
        Map<String, Standing<PlayerAnswered>> answers = answers(log);
        Map<String, Boolean> signs = new LinkedHashMap<>(
                SpeedSigns.of(drive, since.stream().map(Standing::fact).toList(), policy));
        List<Question> questions =
                drive.map(d -> Question.of(d.kind(), d.described().has())).orElse(List.of());
        for (Question question : questions) {
            Optional.ofNullable(answers.get(question.id()))
                    .flatMap(a -> question.shows(a.fact().answer()))
                    .ifPresent(there -> signs.put(question.id(), there));
        }
        Optional<PlayerRanking> ranking =
                drive.map(d -> PlayerRanking.of(d.kind(), d.described().has(), signs));
        List<Observation> observations = new ArrayList<>();
        since.forEach(read -> observe(read, policy, observations));
        answers.values().forEach(a -> observe(a, questions, observations));
        ranking.ifPresent(r -> suspect(r, since, answers, signs, observations));
        return new PlayerBench(drive, reads, since, answers, Map.copyOf(signs), ranking, List.copyOf(observations));
    }

    /** A file from elsewhere may describe what cannot be; then nobody has described it. */
    private static Optional<Drive> drive(PlayerDescribed described) {
        try {
            return Optional.of(Drive.of(described));
        } catch (InvalidEntry cannotBe) {
            return Optional.empty();
        }
    }

    /** The last answer to each question, but for those a mending since made old. */
    private static Map<String, Standing<PlayerAnswered>> answers(EvidenceLog log) {
        Map<String, Standing<PlayerAnswered>> last = new LinkedHashMap<>();
        log.standing(PlayerAnswered.class).forEach(a -> last.put(a.fact().question(), a));
        for (Standing<PlayerMended> mended : log.standing(PlayerMended.class)) {
            Set<String> old = Cause.all().stream()
                    .filter(c -> c.id().equals(mended.fact().cause()))
                    .flatMap(c -> c.signs().keySet().stream())
                    .collect(Collectors.toSet());
            last.values().removeIf(a -> old.contains(a.fact().question()) && a.at().isBefore(mended.at()));
        }
        last.values().removeIf(a -> a.fact().answer().isEmpty());
        return last;
    }

    /** What can be settled of a player, in the order it is worked through. */
    public List<Claim> claims() {
        List<Claim> claims = new ArrayList<>();
        drive.ifPresent(d -> {
            d.steps().keySet().stream().sorted().forEach(rpm -> claims.add(speed(rpm)));
            reads.stream()
                    .filter(r -> r.fact().what().sounds())
                    .forEach(r -> claims.add(speed(r.fact().rpm())));
            claims.add(STEADY);
            Question.of(d.kind(), d.described().has()).forEach(q -> q.proves().ifPresent(claims::add));
        });
        return claims.stream().distinct().toList();
    }

    private static Claim speed(double rpm) {
        return new Claim(PLAYER + " " + plain(rpm), Aspect.SPEED);
    }

    /** As people write a speed: 33.33, 45. */
    public static String plain(double rpm) {
        return rpm == Math.rint(rpm) ? String.valueOf((long) rpm) : String.format(Locale.ROOT, "%.2f", rpm);
    }

    private static void observe(Standing<SpeedRead> read, HousePolicy policy, List<Observation> all) {
        SpeedRead fact = read.fact();
        if (fact.what().sounds()) {
            double apart = policy.finish().speedApart();
            double beyond = Math.abs(fact.off()) - apart;
            double within = fact.within() / fact.rpm();
            Word word = beyond > within ? Word.FAILED : beyond > -within && beyond > 0 ? Word.DOUBTED : Word.SOUND;
            all.add(observation(
                    speed(fact.rpm()),
                    word,
                    read,
                    String.format(
                            Locale.ROOT,
                            "%.2f %s %s, %s: %+.1f %% of %s, where %.1f %% is allowed.",
                            fact.measuredRpm(),
                            fact.what().unit(),
                            fact.how().label(),
                            fact.load().label(),
                            100 * fact.off(),
                            plain(fact.rpm()),
                            100 * apart)));
        }
        fact.tone().ifPresent(tone -> {
            double most = 100 * policy.finish().wowMost();
            all.add(observation(
                    STEADY,
                    tone.weightedPercent() <= most ? Word.SOUND : Word.FAILED,
                    read,
                    String.format(
                            Locale.ROOT,
                            "Wow and flutter %.2f %% weighted over %.0f s, where %.2f %% is allowed.",
                            tone.weightedPercent(),
                            tone.seconds(),
                            most)));
        });
    }

    private static Observation observation(Claim claim, Word word, Standing<SpeedRead> read, String says) {
        return new Observation(
                claim,
                word,
                Strength.ISOLATED,
                false,
                read.at(),
                "",
                says,
                read.entry().author(),
                List.of(read.id()));
    }

    private static void observe(Standing<PlayerAnswered> answer, List<Question> questions, List<Observation> all) {
        for (Question question : questions) {
            if (question.id().equals(answer.fact().question())
                    && question.proves().isPresent()) {
                question.shows(answer.fact().answer())
                        .ifPresent(sign -> all.add(new Observation(
                                question.proves().get(),
                                sign ? Word.FAILED : Word.SOUND,
                                question.figure() ? Strength.ISOLATED : Strength.SEEN,
                                false,
                                answer.at(),
                                "",
                                sign ? capital(question.sign()) + "." : question.ask() + " " + said(question, answer),
                                answer.entry().author(),
                                List.of(answer.id()))));
            }
        }
    }

    private static String said(Question question, Standing<PlayerAnswered> answer) {
        return question.figure()
                ? answer.fact().answer() + " " + question.unit() + "."
                : capital(answer.fact().answer()) + ".";
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }

    /** A cause that is named makes its part doubtful; it proves nothing. */
    private static void suspect(
            PlayerRanking ranking,
            List<Standing<SpeedRead>> reads,
            Map<String, Standing<PlayerAnswered>> answers,
            Map<String, Boolean> signs,
            List<Observation> all) {
        for (PlayerRanking.Suspect suspect : ranking.named()) {
            List<String> restsOn = new ArrayList<>();
            Instant at = Instant.MIN;
            for (Question sign : suspect.speaksFor()) {
                Optional<Standing<PlayerAnswered>> said = Optional.ofNullable(answers.get(sign.id()));
                said.ifPresent(a -> restsOn.add(a.id()));
                Instant when = said.map(Standing::at)
                        .orElseGet(() -> reads.isEmpty()
                                ? Instant.MIN
                                : reads.get(reads.size() - 1).at());
                at = when.isAfter(at) ? when : at;
            }
            all.add(new Observation(
                    new Claim(suspect.cause().part(), Aspect.SOUND),
                    Word.DOUBTED,
                    Strength.INFERRED,
                    false,
                    at,
                    "",
                    "Likely " + suspect.cause().cause() + ": "
                            + suspect.speaksFor().stream().map(Question::sign).collect(Collectors.joining(", ")) + ".",
                    "",
                    restsOn));
        }
    }
}
