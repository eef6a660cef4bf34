package org.umberdial.core.arrival;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.umberdial.core.evidence.Closed;
import org.umberdial.core.evidence.ControlFound;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.evidence.LogEntry;
import org.umberdial.core.evidence.PutBack;
import org.umberdial.core.evidence.Spot;
import org.umberdial.core.evidence.TakenOff;

/**
 * The take-apart register: what came off in which order, and read backwards how it goes together again.
 *
 * @param items in the order they came off
 * @param closed what was said when the set was closed; empty while it is open, and again once something came off after
 *     that
 */
public record TakeApart(List<Item> items, Optional<Closed> closed) {
    /**
     * One entry of the register.
     *
     * @param id of its journal entry
     * @param order 1 for what came off first
     * @param title what it is
     * @param where where it sat, what it joined, what was wrong with it; may be empty
     * @param act what to do with it when the set goes together
     * @param belong how many belong there
     * @param absent how many of them were missing on arrival
     * @param back how many are back
     * @param control whether it is a control to be set back rather than a thing to be fitted
     * @param taken the entry as it was made, to be corrected; empty for a control
     */
    public record Item(
            String id,
            int order,
            String title,
            String where,
            String act,
            int belong,
            int absent,
            int back,
            boolean control,
            Optional<Spot> spot,
            Optional<TakenOff> taken) {
        public boolean done() {
            return back >= belong;
        }

        public int open() {
            return Math.max(0, belong - back);
        }

        /** More went back than belong there: these came from another place. */
        public int tooMany() {
            return Math.max(0, back - belong);
        }
    }

    public static TakeApart of(EvidenceLog journal) {
        Map<String, Integer> back = new HashMap<>();
        journal.standing(PutBack.class)
                .forEach(put -> back.merge(put.fact().entry(), put.fact().count(), Integer::sum));
        List<Item> items = new ArrayList<>();
        int order = 0;
        for (EvidenceLog.Standing<?> standing : inOrder(journal)) {
            items.add(item(standing, ++order, back.getOrDefault(standing.id(), 0)));
        }
        return new TakeApart(List.copyOf(items), closed(journal, items));
    }

    private static List<EvidenceLog.Standing<?>> inOrder(EvidenceLog journal) {
        List<String> ids = journal.entries().stream().map(LogEntry::id).toList();
        List<EvidenceLog.Standing<?>> all = new ArrayList<>(journal.standing(TakenOff.class));
        all.addAll(journal.standing(ControlFound.class));
        all.sort(Comparator.comparingInt(standing -> ids.indexOf(standing.id())));
        return all;
    }

    private static Item item(EvidenceLog.Standing<?> standing, int order, int back) {
        if (standing.fact() instanceof TakenOff off) {
            return new Item(
                    standing.id(),
                    order,
                    capital(off.named()),
                    joined(off),
                    act(off),
                    off.belong(),
                    off.absent(),
                    back,
                    false,
                    off.spot(),
                    Optional.of(off));
        }
        ControlFound control = (ControlFound) standing.fact();
        return new Item(
                standing.id(),
                order,
                capital(control.named()),
                "found at " + control.position() + (control.hidden() ? ", hidden" : ""),
                "Set the " + control.named() + " back to " + control.position(),
                1,
                0,
                back,
                true,
                control.spot(),
                Optional.empty());
    }

    private static String joined(TakenOff off) {
        return List.of(off.place(), off.ends(), off.fault()).stream()
                .filter(text -> !text.isEmpty())
                .collect(Collectors.joining(" · "));
    }

    private static String act(TakenOff off) {
        String where = off.place().isEmpty() ? "" : ", " + off.place();
        String get = off.absent() == 0
                ? ""
                : "; get " + off.absent() + " that " + (off.absent() == 1 ? "was" : "were") + " missing";
        String verb = switch (off.item()) {
            case JOINT -> "Solder ";
            case PLUG, LEAD -> "Connect ";
            default -> "Fit ";
        };
        int belong = off.belong();
        String name = off.what().isEmpty() ? off.item().label() : off.what();
        return verb
                + (belong == 1 ? "" : belong + " × ")
                + name
                + where
                + (off.ends().isEmpty() ? "" : ", " + off.ends())
                + get;
    }

    private static Optional<Closed> closed(EvidenceLog journal, List<Item> items) {
        Optional<EvidenceLog.Standing<Closed>> last =
                journal.standing(Closed.class).stream().reduce((first, second) -> second);
        if (last.isEmpty() || items.isEmpty()) {
            return last.map(EvidenceLog.Standing::fact);
        }
        List<String> ids = journal.entries().stream().map(LogEntry::id).toList();
        int at = ids.indexOf(last.get().id());
        boolean openedAgain = items.stream().anyMatch(item -> ids.indexOf(item.id()) > at);
        return openedAgain ? Optional.empty() : Optional.of(last.get().fact());
    }

    /** The reassembly list: the register backwards. */
    public List<Item> reassembly() {
        List<Item> reversed = new ArrayList<>(items);
        Collections.reverse(reversed);
        return reversed;
    }

    /**
     * What has to be shouted before the set is called closed: what is still on the bench, what is missing, what went
     * where it did not belong. Empty when everything adds up.
     */
    public List<String> alarms() {
        List<String> alarms = new ArrayList<>();
        for (Item item : items) {
            int lying = Math.max(0, item.open() - item.absent());
            if (lying > 0 && item.control()) {
                alarms.add("Not set back: " + lower(item.title()) + ", " + item.where());
            } else if (lying > 0) {
                alarms.add("Left over: " + (item.belong() == 1 ? "" : lying + " of ") + lower(item.title())
                        + (item.where().isEmpty() ? "" : " (" + item.where() + ")"));
            }
            if (item.open() > 0 && item.absent() > 0) {
                alarms.add("Missing: " + Math.min(item.absent(), item.open()) + " × "
                        + lower(item.title()).replaceFirst("^\\d+ × ", "") + ", absent since arrival");
            }
            if (item.tooMany() > 0) {
                alarms.add("Too many: " + item.tooMany() + " more "
                        + lower(item.title()).replaceFirst("^\\d+ × ", "")
                        + " went back than came off; they belong somewhere else");
            }
        }
        return List.copyOf(alarms);
    }

    private static String capital(String text) {
        return text.isEmpty() ? text : Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }

    /** Lower case at the start, except where the second letter shows a designation such as M4 or V3. */
    private static String lower(String text) {
        boolean designation = text.length() > 1 && !Character.isLowerCase(text.charAt(1)) && text.charAt(1) != ' ';
        return text.isEmpty() || designation ? text : Character.toLowerCase(text.charAt(0)) + text.substring(1);
    }
}
