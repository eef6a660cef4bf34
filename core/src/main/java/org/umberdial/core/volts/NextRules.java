package org.umberdial.core.volts;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Plug;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.diagnosis.Diagnosis;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;

/** Chooses the one act that helps most. The rules are asked in order; the first that has something to say decides. */
final class NextRules {
    /**
     * @param watched whether a rail was read again while the set warmed up
     * @param probe what tells most of all that could be read or tested, where every fault of the circuit was weighed
     */
    private record Situation(
            BenchSet set,
            List<PointVerdict> points,
            List<Finding> findings,
            boolean watched,
            Optional<Diagnosis.Probe> probe) {
        Stream<PointVerdict> unread() {
            return points.stream().filter(point -> point.verdict() == Verdict.UNREAD);
        }

        Optional<Suspect> leading(Finding finding) {
            return finding.suspects().stream()
                    .filter(suspect -> suspect.standing() != Suspect.Standing.CLEARED)
                    .findFirst();
        }
    }

    private record Rule(String id, Function<Situation, Optional<Act>> choose) {}

    private static final List<Rule> RULES = List.of(
            new Rule("stop-harm", NextRules::stopHarm),
            new Rule("no-points", NextRules::noPoints),
            new Rule("probe-next", NextRules::probeNext),
            new Rule("read-next", NextRules::readNext),
            new Rule("confirm-worst", NextRules::confirmWorst),
            new Rule("replace-proven", NextRules::replaceProven),
            new Rule("watch-drift", NextRules::watchDrift));

    private NextRules() {}

    /** What helps most, the best first: each rule's one act. */
    static List<Act> acts(
            BenchSet set,
            List<PointVerdict> points,
            List<Finding> findings,
            boolean watched,
            Optional<Diagnosis.Probe> probe) {
        Situation situation = new Situation(set, points, findings, watched, probe);
        Map<String, Act> acts = new LinkedHashMap<>();
        RULES.stream()
                .map(rule -> rule.choose.apply(situation))
                .flatMap(Optional::stream)
                .forEach(act -> acts.putIfAbsent(act.id(), act));
        return List.copyOf(acts.values());
    }

    private static Act act(String rule, String node, String title, String why, boolean powered) {
        Act.Urgency urgency = switch (rule) {
            case "stop-harm" -> Act.Urgency.HARM;
            case "no-points", "watch-drift" -> Act.Urgency.LAST;
            default -> Act.Urgency.USUAL;
        };
        return new Act(
                "volts:" + rule,
                node,
                title,
                why,
                powered && !node.isEmpty() ? List.of(new Claim(node, Aspect.VOLTS)) : List.of(),
                powered ? 1 : 5,
                powered ? Plug.IN : rule.equals("stop-harm") || rule.equals("no-points") ? Plug.OUT : Plug.OUT_HANDS_IN,
                urgency);
    }

    /** Running on does harm: nothing else is read first. */
    private static Optional<Act> stopHarm(Situation s) {
        for (Finding finding : s.findings) {
            Optional<Suspect> suspect = s.leading(finding);
            if (finding.urgent() && suspect.isEmpty()) {
                return Optional.of(act(
                        "stop-harm",
                        finding.node(),
                        "Switch off and pull the plug.",
                        finding.text() + " Before any further reading: running on overheats the tube.",
                        false));
            }
            if (finding.urgent()) {
                boolean proven = suspect.get().standing() == Suspect.Standing.PROVEN;
                String title = proven
                        ? "Switch off and replace " + suspect.get().part() + "."
                        : suspect.get().confirm();
                return Optional.of(act(
                        "stop-harm",
                        finding.node(),
                        title,
                        (proven
                                        ? suspect.get().part() + " is proven "
                                                + suspect.get().failure() + ". "
                                        : suspect.get().tells() + " ")
                                + "Before any further reading: running on overheats the tube" + odds(suspect.get())
                                + ".",
                        false));
            }
        }
        return Optional.empty();
    }

    private static Optional<Act> noPoints(Situation s) {
        return s.points.isEmpty()
                ? Optional.of(act(
                        "no-points",
                        "",
                        "Enter the circuit and its test points.",
                        "Without them there is nothing to compare a reading with; a SPICE deck or the parts "
                                + "table will do.",
                        false))
                : Optional.empty();
    }

    /** What tells most for its time of all that is left to read or to test. */
    private static Optional<Act> probeNext(Situation s) {
        return s.probe.filter(probe -> !s.findings.isEmpty()).flatMap(probe -> {
            if (probe.node().isEmpty()) {
                return s.findings.stream()
                        .flatMap(finding -> finding.suspects().stream()
                                .filter(suspect -> suspect.part().equals(probe.part())
                                        && suspect.standing() == Suspect.Standing.OPEN)
                                .map(suspect -> confirm(finding, suspect)))
                        .findFirst();
            }
            String why = "Of all that is left to read it tells most about which part is guilty." + leads(s);
            Spot spot = probe.spot().orElseThrow();
            if (spot.kind() != Spot.Kind.DC) {
                return Optional.of(act(
                        "read-next",
                        spot.node(),
                        spot.asks(s.set.nameOf(spot.node())) + ". " + spot.typed(),
                        why,
                        spot.kind() == Spot.Kind.RIPPLE));
            }
            return s.points.stream()
                    .filter(point -> point.point().node().equals(probe.node()))
                    .findFirst()
                    .map(point -> read(point, why));
        });
    }

    private static String leads(Situation s) {
        List<String> leading = s.findings.stream()
                .flatMap(finding -> s.leading(finding).stream())
                .map(suspect -> suspect.part() + " " + suspect.failure())
                .distinct()
                .toList();
        return leading.isEmpty() ? "" : " Suspected so far: " + String.join(", ", leading) + ".";
    }

    private static Act read(PointVerdict point, String why) {
        String where =
                point.point().hint().isEmpty() ? "" : " (" + point.point().hint() + ")";
        String expects = point.expected().isPresent()
                ? " A healthy set shows " + Phrases.volts(point.expected().getAsDouble()) + " here."
                : "";
        return act(
                "read-next", point.point().node(), "Read " + point.point().name() + where + "." + expects, why, true);
    }

    private static Optional<Act> readNext(Situation s) {
        return s.unread().findFirst().map(point -> {
            long left = s.unread().count();
            return read(
                    point,
                    s.findings.isEmpty()
                            ? "Next in probing order; " + left + (left == 1 ? " point is" : " points are") + " unread."
                            : "A fault is suspected already; this reading says more about it before anything is lifted.");
        });
    }

    private static Optional<Act> confirmWorst(Situation s) {
        return s.findings.stream()
                .flatMap(finding -> s
                        .leading(finding)
                        .filter(suspect -> suspect.standing() == Suspect.Standing.OPEN)
                        .map(suspect -> confirm(finding, suspect))
                        .stream())
                .findFirst();
    }

    private static Act confirm(Finding finding, Suspect suspect) {
        return act(
                "confirm-worst",
                finding.node(),
                suspect.confirm(),
                (suspect.tells() + " It settles the worst finding left, "
                                + finding.text().replaceAll(":.*", "") + odds(suspect) + ".")
                        .strip(),
                false);
    }

    private static Optional<Act> replaceProven(Situation s) {
        return s.findings.stream()
                .flatMap(finding -> s
                        .leading(finding)
                        .filter(suspect -> suspect.standing() == Suspect.Standing.PROVEN)
                        .map(suspect -> act(
                                "replace-proven",
                                finding.node(),
                                "Switch off, pull the plug, discharge; replace " + suspect.part() + ", then read "
                                        + s.set.nameOf(finding.node()) + " again.",
                                suspect.part() + " is proven " + suspect.failure() + ".",
                                false))
                        .stream())
                .findFirst();
    }

    private static Optional<Act> watchDrift(Situation s) {
        // The highest rail: what leaks as it warms pulls that one down.
        return s.points.stream()
                .filter(point -> point.verdict() != Verdict.UNREAD && !s.watched)
                .filter(point -> s.set.usualKind(point.point().node()) == ReadingKind.DC)
                .max(Comparator.comparingDouble(point -> point.expected().orElse(0)))
                .map(point -> act(
                        "watch-drift",
                        point.point().node(),
                        "Let it run ten minutes and read " + point.point().name() + " again.",
                        "Every point is inside its band; a fall while it warms would show a leak that cold "
                                + "readings miss.",
                        true));
    }

    private static String odds(Suspect suspect) {
        long tenths = Math.round(10 * suspect.odds());
        return suspect.standing() == Suspect.Standing.OPEN && tenths > 0 && tenths < 10
                ? " (" + suspect.part() + " " + suspect.failure() + ": odds " + tenths + " in 10)"
                : "";
    }
}
