package org.umberdial.core.walk;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.circuit.deck.Card;
import org.umberdial.core.circuit.deck.Deck;
import org.umberdial.core.draft.Answers;
import org.umberdial.core.draft.Draft;
import org.umberdial.core.draft.Drafter;
import org.umberdial.core.draft.Feed;
import org.umberdial.core.draft.Fitted;
import org.umberdial.core.draft.LineUp;
import org.umberdial.core.draft.Stage;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.InvalidEntry;

/**
 * Another stage of its kind in a drafted circuit: what has to go, what comes, and what gets another usual value by it.
 * Found by drafting the set's tubes twice, as it stands and as it is said to be; what somebody compared stays.
 *
 * @param removed references that go
 * @param put cards that come or change, as usually built
 * @param sockets with what each pin is at from then on
 * @param models diode models the new parts need
 * @param was what the stage was, to go back by; empty when it was none of the siblings
 * @param says what a person should know
 */
public record StageSwap(
        List<String> removed,
        List<Card> put,
        List<Deck.SocketPins> sockets,
        Map<String, Map<String, Double>> models,
        Optional<Sibling> was,
        List<String> says) {
    /**
     * What a part is the same by in two drafts: its letter, its stage and its ends; a tube's parts by their socket too.
     */
    private record Place(char letter, String stage, List<String> ends, String socket, int copy) {
        /** Each part by its place; of several at one place each is a copy of its own. */
        static <T> Map<Place, T> all(List<T> parts, Function<T, Card> card) {
            Map<Place, T> places = new LinkedHashMap<>();
            for (T part : parts) {
                int copy = 0;
                while (places.containsKey(of(card.apply(part), copy))) {
                    copy++;
                }
                places.put(of(card.apply(part), copy), part);
            }
            return places;
        }

        private static Place of(Card card, int copy) {
            boolean directed = card.letter() == 'X';
            return new Place(
                    card.letter(),
                    card.key("stage").orElse(""),
                    directed ? card.nodes() : card.nodes().stream().sorted().toList(),
                    directed && card.kind().matches("tube|heater") ? card.reference() : "",
                    copy);
        }
    }

    /**
     * A set's stage as a sibling.
     *
     * @throws InvalidEntry when the set has no such stage, or its tubes leave no room for it
     */
    public static StageSwap of(BenchSet set, Sibling to) {
        return new Finding(set).to(to);
    }

    /** The siblings of a set's drafted stages that its tubes leave room for. */
    public static List<Sibling> open(BenchSet set) {
        return new Finding(set).open();
    }

    private static String job(Card card) {
        return card.key("desc").orElse("") + card.model();
    }

    /** One set, drafted again. */
    private static final class Finding {
        /** A tube's card is named by its socket and the system in it. */
        private static final Pattern TUBE = Pattern.compile("X(V\\d+)(?:[ABTDR]|D\\d|H)?");
        /** Questions whose answers change the same parts are asked together. */
        private static final List<List<Class<? extends Answers.Answer>>> TOGETHER = List.of(
                List.of(Answers.Filter.class, Answers.Bias.class, Answers.Metal.class),
                List.of(Answers.Ends.class, Answers.Splitter.class));

        private final BenchSet set;
        private final Drafter drafter;
        private final LineUp lineUp;
        private final Answers base;
        private final Map<Place, String> own;
        private final Map<Answers, Map<Place, String>> sketches = new HashMap<>();

        Finding(BenchSet set) {
            this.set = set;
            this.drafter = new Drafter(set.tubes());
            this.lineUp = new LineUp(types(set).entrySet().stream()
                    .map(tube -> new Fitted(
                            tube.getKey(),
                            tube.getValue(),
                            set.tubes().data().type(tube.getValue()),
                            OptionalDouble.empty(),
                            OptionalDouble.empty()))
                    .toList());
            this.own = jobs(set.parts().stream().map(Part::card).toList());
            this.base = Answers.NONE
                    .feed(Feed.of(set.construction()))
                    .lineVolts(set.parts().stream()
                            .map(Part::card)
                            .filter(card -> card.letter() == 'V' && card.hertz() > 0)
                            .flatMapToDouble(card -> card.value().stream().mapToDouble(volts -> volts))
                            .findFirst());
        }

        /** What is in each socket; of a tube without known pins only its cards say so. */
        private static Map<String, String> types(BenchSet set) {
            Map<String, String> types = new LinkedHashMap<>();
            set.sockets().forEach(socket -> types.put(socket.socket(), socket.type()));
            for (Part part : set.parts()) {
                Matcher tube = TUBE.matcher(part.reference());
                if (part.card().kind().matches("tube|heater") && tube.matches()) {
                    types.putIfAbsent(tube.group(1), TubeData.bare(part.card().model()));
                }
            }
            return types;
        }

        /** What such a draft has, and what each part is there. */
        private Map<Place, String> sketch(Answers answers) {
            return sketches.computeIfAbsent(
                    answers, said -> jobs(drafter.sketch(lineUp, said).cards()));
        }

        private static Map<Place, String> jobs(List<Card> cards) {
            Map<Place, String> jobs = new HashMap<>();
            Place.all(cards, card -> card).forEach((place, card) -> jobs.put(place, job(card)));
            return jobs;
        }

        /** How many parts of the set and of a draft are not of both, or not the same there. */
        private long distance(Answers answers) {
            Map<Place, String> draft = sketch(answers);
            return draft.entrySet().stream()
                            .filter(entry -> !entry.getValue().equals(own.get(entry.getKey())))
                            .count()
                    + own.keySet().stream()
                            .filter(place -> !draft.containsKey(place))
                            .count();
        }

        /** The answers whose draft is nearest to what stands, questions that change the same parts asked together. */
        private Answers nearest() {
            Answers best = base;
            for (List<Class<? extends Answers.Answer>> questions : TOGETHER) {
                List<Answers> candidates = List.of(best);
                for (Class<? extends Answers.Answer> question : questions) {
                    candidates = candidates.stream()
                            .flatMap(said -> Stream.concat(
                                    Stream.of(said),
                                    Arrays.stream(Sibling.values())
                                            .map(Sibling::answer)
                                            .filter(question::isInstance)
                                            .map(said::and)))
                            .toList();
                }
                best = candidates.stream()
                        .reduce((one, other) -> distance(other) < distance(one) ? other : one)
                        .orElse(best);
            }
            return best;
        }

        List<Sibling> open() {
            Answers now = nearest();
            return Arrays.stream(Sibling.values())
                    .filter(sibling -> isDrafted(sibling.stage()) && changes(now, sibling))
                    .toList();
        }

        /** A stage that somebody typed is nobody's draft: what would go from it cannot be told. */
        private boolean isDrafted(Stage stage) {
            return set.parts().stream().anyMatch(part -> Stage.of(part.card()).equals(Optional.of(stage)));
        }

        private boolean changes(Answers now, Sibling to) {
            return !sketch(now.and(to.answer())).equals(sketch(now));
        }

        StageSwap to(Sibling to) {
            Answers now = nearest();
            if (!isDrafted(to.stage())) {
                throw new InvalidEntry(
                        InvalidEntry.Code.CONFLICT,
                        "The stage “" + to.stage().label()
                                + "” of this set was not drafted here, so that what has to go"
                                + " from it cannot be told. Take its parts out with - and type the others with +.");
            }
            if (!changes(now, to)) {
                throw new InvalidEntry(
                        InvalidEntry.Code.CONFLICT,
                        "As “" + to.word() + "” the circuit is what it is already, or its tubes leave no room for it.");
            }
            Draft before = drafter.draft(lineUp, now);
            Draft after = drafter.draft(lineUp, now.and(to.answer()));
            List<String> says = new ArrayList<>(after.says());
            says.removeAll(before.says());
            return new Difference(
                            set,
                            Place.all(before.deck().cards(), card -> card),
                            Place.all(after.deck().cards(), card -> card))
                    .swap(after.deck(), was(now, to), says);
        }

        private Optional<Sibling> was(Answers now, Sibling to) {
            return Arrays.stream(Sibling.values())
                    .filter(sibling -> sibling != to
                            && sibling.answer().getClass() == to.answer().getClass()
                            && !changes(now, sibling))
                    .findFirst();
        }
    }

    /** What two drafts differ in, carried over to the set as it stands. */
    private static final class Difference {
        private final BenchSet set;
        private final Map<Place, Card> old;
        private final Map<Place, Card> fresh;
        private final Map<Place, Part> parts;
        private final List<String> removed = new ArrayList<>();
        private final List<Card> put = new ArrayList<>();

        Difference(BenchSet set, Map<Place, Card> old, Map<Place, Card> fresh) {
            this.set = set;
            this.old = old;
            this.fresh = fresh;
            this.parts = Place.all(set.parts(), Part::card);
        }

        StageSwap swap(Deck deck, Optional<Sibling> was, List<String> says) {
            old.forEach((place, card) -> {
                if (!fresh.containsKey(place)) {
                    remove(place, card).ifPresent(says::add);
                }
            });
            says.addAll(put());
            return new StageSwap(List.copyOf(removed), List.copyOf(put), deck.sockets(), deck.models(), was, says);
        }

        /** Takes out what the draft has no more; a sentence where it stays, or is not there as it was drafted. */
        private Optional<String> remove(Place place, Card drafted) {
            Part part = parts.get(place);
            if (part == null) {
                return Optional.of("The draft's " + drafted.key("desc").orElse(drafted.reference())
                        + " is not there as it was drafted; look whether what is there instead has to go.");
            }
            if (part.unconfirmed() || !Walk.asks(part.card())) {
                removed.add(part.reference());
                return Optional.empty();
            }
            return Optional.of(part.reference()
                    + " was compared with this set and stays; take it out with -, if it is not there.");
        }

        /**
         * New parts under references that are free, and those that stay with another usual value; sentences for what
         * somebody put there before.
         */
        private List<String> put() {
            Set<String> taken = set.parts().stream()
                    .map(Part::reference)
                    .filter(reference -> !removed.contains(reference))
                    .collect(Collectors.toCollection(HashSet::new));
            List<String> says = new ArrayList<>();
            fresh.forEach((place, card) -> {
                Card before = old.get(place);
                Part part = parts.get(place);
                if (before == null) {
                    Optional<Part> there = standing(card);
                    there.ifPresentOrElse(
                            one -> says.add(one.reference() + " stands where the "
                                    + card.key("desc").orElse("draft's part") + " would come, and is left as it is."),
                            () -> put.add(card.withReference(unused(card.reference(), taken))));
                } else if (part != null && part.unconfirmed() && !same(before, card) && same(part.card(), before)) {
                    put.add(card.withReference(part.reference()));
                }
            });
            return says;
        }

        /** A part of the same kind at the same two ends that stays. */
        private Optional<Part> standing(Card card) {
            return set.parts().stream()
                    .filter(part -> !removed.contains(part.reference()))
                    .filter(part -> "RCL".indexOf(card.letter()) >= 0
                            && part.card().letter() == card.letter()
                            && new HashSet<>(part.nodes()).equals(new HashSet<>(card.nodes())))
                    .findFirst();
        }

        /** Within what is lost in writing a value down. */
        private static boolean same(Card one, Card other) {
            return job(one).equals(job(other))
                    && near(one.value().orElse(0.0), other.value().orElse(0.0))
                    && one.parameters().keySet().equals(other.parameters().keySet())
                    && one.parameters().keySet().stream()
                            .allMatch(name -> near(
                                    one.parameters().get(name),
                                    other.parameters().get(name)));
        }

        private static boolean near(double one, double other) {
            return Math.abs(one - other) <= 1e-3 * Math.max(Math.abs(one), Math.abs(other));
        }

        private static String unused(String wanted, Set<String> taken) {
            String letters = wanted.replaceAll("\\d+$", "");
            String reference = wanted;
            for (int number = 1; !taken.add(reference); number++) {
                reference = letters + number;
            }
            return reference;
        }
    }
}
