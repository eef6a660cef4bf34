package org.umberdial.core.listening;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Observation;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.EvidenceLog.Standing;
import org.umberdial.core.evidence.Listened;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.role.Symptom;

/** What was heard of one set. */
public final class Listening {
    /** @param stale whether a part was replaced since; then it is heard again */
    public record Answered(String entry, String answer, String note, Instant at, boolean stale) {}

    private final List<ListeningQuestion> asked;
    private final Map<String, Answered> answers = new LinkedHashMap<>();

    private Listening(List<ListeningQuestion> asked) {
        this.asked = List.copyOf(asked);
    }

    /** @param has what the set is and has: {@code radio}, {@code fm}, {@code player}, … */
    public static Listening of(EvidenceLog log, Set<String> has) {
        Listening listening = new Listening(ListeningQuestion.all().stream()
                .filter(q -> q.applies().equals("any") || has.contains(q.applies()))
                .toList());
        Instant replaced = log.standing(PartReplaced.class).stream()
                .map(Standing::at)
                .max(Instant::compareTo)
                .orElse(Instant.MIN);
        for (Standing<Listened> heard : log.standing(Listened.class)) {
            Listened said = heard.fact();
            if (said.answer().isEmpty()) {
                listening.answers.remove(said.question());
            } else {
                listening.answers.put(
                        said.question(),
                        new Answered(
                                heard.id(),
                                said.answer(),
                                said.note(),
                                heard.at(),
                                heard.at().isBefore(replaced)));
            }
        }
        return listening;
    }

    /** Symptoms that were heard and stand. */
    public static List<Symptom> symptoms(EvidenceLog log) {
        List<Symptom> heard = new ArrayList<>();
        Listening all = of(log, Set.of());
        all.answers.forEach((id, answer) -> {
            if (answer.answer.equals(ListeningQuestion.BAD) && !answer.stale) {
                ListeningQuestion.known(id).flatMap(ListeningQuestion::symptom).ifPresent(heard::add);
            }
        });
        return heard;
    }

    public List<ListeningQuestion> asked() {
        return asked;
    }

    public Optional<Answered> answer(String question) {
        return Optional.ofNullable(answers.get(question));
    }

    private boolean is(ListeningQuestion question, String answer) {
        return answer(question.id())
                .filter(a -> a.answer.equals(answer) && !a.stale)
                .isPresent();
    }

    /** Questions whose answer is bad. */
    public List<ListeningQuestion> bad() {
        return asked.stream().filter(q -> is(q, ListeningQuestion.BAD)).toList();
    }

    /** Questions that nobody answered, or not since a part was replaced. */
    public List<ListeningQuestion> open() {
        return asked.stream()
                .filter(q -> answer(q.id()).filter(a -> !a.stale).isEmpty())
                .toList();
    }

    public boolean begun() {
        return !answers.isEmpty();
    }

    /** Once it is begun, every question; before that nobody owes an answer. */
    public List<Claim> claims() {
        if (!begun()) {
            return List.of();
        }
        return asked.stream()
                .filter(q -> !is(q, ListeningQuestion.NOT_THERE))
                .map(ListeningQuestion::claim)
                .toList();
    }

    public List<Observation> observations() {
        List<Observation> seen = new ArrayList<>();
        for (ListeningQuestion question : asked) {
            answer(question.id())
                    .filter(a -> !a.stale && !a.answer.equals(ListeningQuestion.NOT_THERE))
                    .ifPresent(a -> seen.add(observation(question, a)));
        }
        return seen;
    }

    private static Observation observation(ListeningQuestion question, Answered answer) {
        boolean good = answer.answer.equals(ListeningQuestion.GOOD);
        return new Observation(
                question.claim(),
                good ? Observation.Word.SOUND : Observation.Word.FAILED,
                Strength.SEEN,
                false,
                answer.at,
                "Listened",
                question.ask() + " " + (good ? question.good() : question.bad()) + ".",
                "",
                List.of(answer.entry));
    }
}
