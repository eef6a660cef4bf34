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
import java.util.stream.Collectors;
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
    /** What a part is the same by in two drafts: its letter, its stage and its ends. */
    private record Place(char letter, String stage, List<String> ends) {
        static Place of(Card card) {
            return new Place(
                    card.letter(),
                    card.key("stage").orElse(""),
                    card.letter() == 'X'
                            ? card.nodes()
                            : card.nodes().stream().sorted().toList());
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
        private final BenchSet set;
        private final Drafter drafter;
        private final LineUp lineUp;
        private final Answers base;
        private final Map<Place, String> own;
        private final Map<Answers, Map<Place, String>> sketches = new HashMap<>();

        Finding(BenchSet set) {
            this.set = set;
            this.drafter = new Drafter(set.tubes());
            this.lineUp = new LineUp(set.sockets().stream()
                    .map(socket -> new Fitted(
                            socket.socket(),
                            socket.type(),
                            set.tubes().data().type(socket.type()),
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
            return cards.stream().collect(Collectors.toMap(Place::of, StageSwap::job, (a, b) -> a));
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
            // Twice, since what one question means may hang on another's answer.
            for (int round = 0; round < 2; round++) {
                for (Object one : List.of("filter", "rectifier", "bias", "output", "splitter")) {
                    Answers now = best;
                    best = Arrays.stream(Sibling.values())
                            .filter(sibling -> question(sibling).equals(one))
                            .map(sibling -> sibling.in(now))
                            .reduce(now, (a, b) -> distance(b) < distance(a) ? b : a);
                }
            }
            return best;
        }

        private static Object question(Sibling sibling) {
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
            Map<Place, Card> old = places(before.deck());
            Map<Place, Card> fresh = places(after.deck());
            if (sketch(now).equals(sketch(to.in(now)))) {
                throw new InvalidEntry(
                        InvalidEntry.Code.CONFLICT,
                        "As “" + to.word() + "” the circuit is what it is already, or its tubes leave no room for it.");
            }
            List<String> says = new ArrayList<>(after.says());
            says.removeAll(before.says());
            Map<Place, Part> parts = new HashMap<>();
            set.parts().forEach(part -> parts.putIfAbsent(Place.of(part.card()), part));
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

        private static Map<Place, Card> places(Deck deck) {
            Map<Place, Card> places = new LinkedHashMap<>();
            deck.cards().forEach(card -> places.putIfAbsent(Place.of(card), card));
            return places;
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
