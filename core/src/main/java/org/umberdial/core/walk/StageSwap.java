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
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.ConstructionClass;
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

    /** The siblings a set's tubes leave room for, by the stage they are of. */
    public static Map<String, List<Sibling>> open(BenchSet set) {
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
        private static final List<List<String>> TOGETHER =
                List.of(List.of("filter", "bias", "rectifier"), List.of("output", "splitter"));

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
                    .feed(feed(set.construction()))
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

        private static Optional<Feed> feed(ConstructionClass construction) {
            return switch (construction) {
                case SERIES_STRING, RECORD_PLAYER_LIVE -> Optional.of(Feed.SERIES);
                case MAINS_TRANSFORMER, RECORD_PLAYER -> Optional.of(Feed.TRANSFORMER);
                case AUTOTRANSFORMER -> Optional.of(Feed.AUTOTRANSFORMER);
                case VIBRATOR -> Optional.of(Feed.VIBRATOR);
                case BATTERY -> Optional.of(Feed.BATTERY);
                case UNKNOWN -> Optional.empty();
            };
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

        /** The answers whose draft is nearest to what stands, found one question after the other. */
        private Answers nearest() {
            Answers best = base;
            for (List<String> questions : TOGETHER) {
                List<Answers> candidates = List.of(best);
                for (String one : questions) {
                    candidates = candidates.stream()
                            .flatMap(said -> Stream.concat(
                                    Stream.of(said),
                                    Arrays.stream(Sibling.values())
                                            .filter(sibling -> question(sibling).equals(one))
                                            .map(sibling -> sibling.in(said))))
                            .toList();
                }
                best = candidates.stream()
                        .reduce((a, b) -> distance(b) < distance(a) ? b : a)
                        .orElse(best);
            }
            return best;
        }

        private static String question(Sibling sibling) {
            return switch (sibling) {
                case RESISTOR, CHOKE, FIELD, FIELD_MINUS -> "filter";
                case SELENIUM, SILICON, DOUBLER -> "rectifier";
                case CATHODE_BIAS, BACK_BIAS, FIXED_BIAS -> "bias";
                case PUSH_PULL, STEREO -> "output";
                case SPLIT_LOAD, SEE_SAW, LONG_TAIL, TRANSFORMER -> "splitter";
            };
        }

        Map<String, List<Sibling>> open() {
            Map<String, List<Sibling>> open = new LinkedHashMap<>();
            if (lineUp.tubes().isEmpty()) {
                return open;
            }
            Answers now = nearest();
            Map<Place, String> drafted = sketch(now);
            for (Sibling sibling : Sibling.values()) {
                if (!sketch(sibling.in(now)).equals(drafted)) {
                    open.computeIfAbsent(sibling.stage().id(), stage -> new ArrayList<>())
                            .add(sibling);
                }
            }
            return open;
        }

        StageSwap to(Sibling to) {
            if (lineUp.tubes().isEmpty()) {
                throw new InvalidEntry(
                        InvalidEntry.Code.UNKNOWN,
                        "This set has no sockets with tubes to draft another stage from; type its parts with +.");
            }
            Answers now = nearest();
            Draft before = drafter.draft(lineUp, now);
            Draft after = drafter.draft(lineUp, to.in(now));
            Map<Place, Card> old = Place.all(before.deck().cards(), card -> card);
            Map<Place, Card> fresh = Place.all(after.deck().cards(), card -> card);
            if (sketch(now).equals(sketch(to.in(now)))) {
                throw new InvalidEntry(
                        InvalidEntry.Code.CONFLICT,
                        "As “" + to.word() + "” the circuit is what it is already, or its tubes leave no room for it.");
            }
            List<String> says = new ArrayList<>(after.says());
            says.removeAll(before.says());
            Map<Place, Part> parts = Place.all(set.parts(), Part::card);
            List<String> removed = removed(old, fresh, parts, says);
            return new StageSwap(
                    removed,
                    put(old, fresh, parts, new HashSet<>(removed)),
                    after.deck().sockets(),
                    after.deck().models(),
                    Sibling.of(to.stage()).stream()
                            .filter(sibling -> question(sibling).equals(question(to)))
                            .filter(sibling ->
                                    sibling != to && sketch(sibling.in(now)).equals(sketch(now)))
                            .findFirst(),
                    says);
        }

        private List<String> removed(
                Map<Place, Card> old, Map<Place, Card> fresh, Map<Place, Part> parts, List<String> says) {
            List<String> removed = new ArrayList<>();
            old.keySet().stream()
                    .filter(place -> !fresh.containsKey(place) && parts.containsKey(place))
                    .map(parts::get)
                    .forEach(part -> {
                        if (part.unconfirmed() || !Walk.asks(part.card())) {
                            removed.add(part.reference());
                        } else {
                            says.add(part.reference() + " was compared with this set and stays; take it out with -, if"
                                    + " it is not there.");
                        }
                    });
            return removed;
        }

        /** New parts under references that are free, and those that stay with another usual value. */
        private List<Card> put(Map<Place, Card> old, Map<Place, Card> fresh, Map<Place, Part> parts, Set<String> free) {
            Set<String> taken = set.parts().stream()
                    .map(Part::reference)
                    .filter(reference -> !free.contains(reference))
                    .collect(Collectors.toCollection(HashSet::new));
            List<Card> put = new ArrayList<>();
            fresh.forEach((place, card) -> {
                Card before = old.get(place);
                if (before == null) {
                    put.add(card.withReference(unused(card.reference(), taken)));
                    return;
                }
                Part part = parts.get(place);
                if (part != null && part.unconfirmed() && !same(before, card) && same(part.card(), before)) {
                    put.add(card.withReference(part.reference()));
                }
            });
            return put;
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
