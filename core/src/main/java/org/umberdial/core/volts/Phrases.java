package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.umberdial.core.area.Bench;
import org.umberdial.core.circuit.work.Note;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SheetValue;
import org.umberdial.core.set.TestPoint;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.Unit;

/**
 * The sentences a verdict rests on, in the words of the trade (North American; the shop's vocabulary is put over them).
 */
final class Phrases {
    private final BenchSet set;
    /** Up to here sheet and circuit say the same. */
    private static final double AGREEING = 0.02;
    /** A meter that takes more than this share changes what it reads. */
    private static final double LOADING = 0.05;

    private final StageModel model;
    private final HousePolicy policy;

    Phrases(BenchSet set, StageModel model, HousePolicy policy) {
        this.set = set;
        this.model = model;
        this.policy = policy;
    }

    static String volts(double value) {
        return Engineering.print(value, Unit.VOLT);
    }

    static String ohms(double value) {
        return Engineering.print(value, Unit.OHM);
    }

    String name(String node) {
        return set.nameOf(node);
    }

    String reason(Probed p, Verdict verdict, Set<String> causes) {
        double off = p.shownDeviation();
        double expected = p.healthyShown.orElse(0);
        String size = off == 0
                ? "exactly as expected"
                : volts(Math.abs(off)) + (off > 0 ? " high" : " low") + percent(off, expected);
        return switch (verdict) {
            case GOOD -> capital(size) + ", inside the band of ± " + volts(p.band()) + ".";
            case FOLLOWS ->
                capital(size) + ", as it must be with " + names(causes)
                        + (causes.size() > 1 ? " where they are" : " where it is") + ": no fault of its own.";
            case DOUBT ->
                p.selfBiased
                        ? oscillator(p, size)
                        : capital(size) + ": outside " + share(policy.spread()) + ", not yet wrong.";
            case BAD -> bad(p, off, size);
            case UNUSUAL ->
                capital(size) + " against what such sets usually show: unusual. Compare with this set's schematic.";
            case NO_EXPECTATION -> unjudged(p, size);
            case UNREAD -> "";
        };
    }

    private String unjudged(Probed p, String size) {
        if (p.healthyShown.isEmpty()) {
            return "The sheet gives nothing here for this mode; enter its value or judge by the neighbours.";
        }
        return model.unknownLoading(p.point.node(), p.reading.lineVolts(), p.reading.meter())
                        .isPresent()
                ? capital(size) + ". The sheet does not name its meter, and a poor one explains this: loading unknown."
                : "About what such sets usually show; nobody knows what this one should.";
    }

    private String bad(Probed p, double off, String size) {
        if (p.grid && off > 0) {
            return "A grid must not stand positive: " + volts(p.reading.value()) + " here comes from somewhere.";
        }
        if (p.selfBiased) {
            return oscillator(p, size);
        }
        if (p.healthyShown.isEmpty()) {
            return "Nothing may stand here.";
        }
        return capital(size) + ", more than anything upstream explains.";
    }

    private static String oscillator(Probed p, String size) {
        boolean weak = Math.abs(p.reading.value()) < Math.abs(p.healthyShown.orElse(0));
        return capital(size) + ": this grid lives by its own oscillation, which is " + (weak ? "weaker" : "stronger")
                + " than it should be. Read it on 10 MΩ or more, since the meter loads it.";
    }

    String drift(Reading first, Reading last) {
        double minutes = last.minutesOn().orElse(0) - first.minutesOn().orElse(0);
        return " It moved from " + volts(first.value()) + " to " + volts(last.value()) + " in " + Math.round(minutes)
                + " minutes: something changes as it heats.";
    }

    List<String> arithmetic(
            TestPoint point,
            Optional<SheetValue> sheet,
            OptionalDouble open,
            Ohms source,
            OptionalDouble expected,
            Bench bench,
            Optional<Probed> probed) {
        if (model.isSolved()) {
            List<String> steps = solved(point, sheet, open, source, expected, bench, probed);
            steps.addAll(notesAt(point));
            return steps;
        }
        List<String> steps = new ArrayList<>();
        sheet.ifPresent(value -> {
            steps.add("Sheet: " + volts(value.value()) + " at " + volts(value.lineVolts()) + " line"
                    + value.meter().map(meter -> ", meter " + meter.notation()).orElse("")
                    + (value.mode().isEmpty() ? "" : ", " + value.mode()));
            model.healthyVolts(point.node(), value.lineVolts())
                    .ifPresent(unloaded -> steps.add("Without the sheet's meter: " + volts(unloaded)
                            + (source.value() >= 1 ? ", behind " + ohms(source.value()) : "")));
        });
        if (open.isPresent()) {
            steps.add(
                    model.isSupplyFed(point.node())
                            ? "On your " + volts(bench.lineVolts()) + " line: " + volts(open.getAsDouble())
                            : "Not fed by the supply, so the line does not move it");
        }
        if (expected.isPresent() && bench.meter().isPresent()) {
            Meter meter = bench.meter().get();
            steps.add("On your meter ("
                    + ohms(meter.inputResistance(new org.umberdial.core.value.Volts(open.orElse(0)))
                            .value()) + "): " + volts(expected.getAsDouble()));
        }
        probed.filter(p -> differs(p.reading, bench) && p.healthyShown.isPresent())
                .ifPresent(p -> steps.add("Your reading was taken on a " + volts(p.reading.lineVolts()) + " line"
                        + p.reading
                                .meter()
                                .map(meter -> " with " + meter.notation())
                                .orElse("") + ", where " + volts(p.healthyShown.getAsDouble()) + " was right"));
        return steps;
    }

    /** The steps when the circuit itself was solved: it comes first, the sheet is compared with it. */
    private List<String> solved(
            TestPoint point,
            Optional<SheetValue> sheet,
            OptionalDouble open,
            Ohms source,
            OptionalDouble expected,
            Bench bench,
            Optional<Probed> probed) {
        List<String> steps = new ArrayList<>();
        open.ifPresent(volts -> steps.add("The circuit, solved on " + feed(bench.lineVolts()) + ": " + volts(volts)
                + (source.value() >= 1 ? ", behind " + ohms(source.value()) : "")));
        if (expected.isPresent() && bench.meter().isPresent()) {
            Meter meter = bench.meter().get();
            steps.add("On your meter ("
                    + ohms(meter.inputResistance(new org.umberdial.core.value.Volts(open.orElse(0)))
                            .value()) + "): " + volts(expected.getAsDouble()));
        }
        sheet.ifPresent(value -> {
            steps.add("Sheet: " + volts(value.value()) + " at " + volts(value.lineVolts()) + " line"
                    + value.meter().map(meter -> ", meter " + meter.notation()).orElse("")
                    + (value.mode().isEmpty() ? "" : ", " + value.mode()));
            model.solvedShown(point.node(), value.lineVolts(), value.meter())
                    .ifPresent(shown -> steps.add(comparison(point, value, shown, source)));
        });
        probed.filter(p -> differs(p.reading, bench) && p.healthyShown.isPresent())
                .ifPresent(p -> steps.add("Your reading was taken on a " + volts(p.reading.lineVolts()) + " line"
                        + p.reading
                                .meter()
                                .map(meter -> " with " + meter.notation())
                                .orElse("") + ", where " + volts(p.healthyShown.getAsDouble()) + " was right"));
        return steps;
    }

    /**
     * What the solved circuit says of the parts at this point: a regulator that stays dark, a grid that nothing ties.
     */
    private List<String> notesAt(TestPoint point) {
        return model.solvedPoint().stream()
                .flatMap(solved -> solved.notes().stream()
                        .filter(note -> note.guess() && solved.isGuess(point.node()) || touches(note.part(), point))
                        .map(Note::text))
                .toList();
    }

    private boolean touches(String reference, TestPoint point) {
        return set.parts().stream()
                .anyMatch(part ->
                        part.reference().equals(reference) && part.nodes().contains(point.node()));
    }

    /** A circuit that is drawn for much less than the line, as a vibrator's, is not fed by it. */
    private String feed(double line) {
        double fed = model.fedWith(line);
        if (fed == 0) {
            return "its own batteries";
        }
        return fed == line
                ? "your " + volts(line) + " line"
                : "the " + volts(fed) + " it is drawn for, since " + volts(line) + " cannot be what feeds it";
    }

    /** Why sheet and circuit do not say the same. */
    private String comparison(TestPoint point, SheetValue sheet, double shown, Ohms source) {
        double off = shown - sheet.value();
        double share = Math.abs(sheet.value()) < 1 ? 0 : Math.abs(off / sheet.value());
        String same = "The circuit under the sheet's conditions: " + volts(shown);
        if (share < AGREEING && Math.abs(off) < Math.max(0.2, AGREEING * Math.abs(sheet.value()))) {
            return same + ", the same but for rounding";
        }
        String size =
                same + ", " + (Math.abs(sheet.value()) < 1 ? volts(Math.abs(off)) : Math.round(100 * share) + " %")
                        + (Math.abs(shown) < Math.abs(sheet.value()) ? " less" : " more");
        double loading = sheet.meter()
                .map(meter -> source.value()
                        / meter.inputResistance(new org.umberdial.core.value.Volts(sheet.value()))
                                .value())
                .orElse(0.0);
        if (Probed.isSelfBiased(model, point.node())) {
            return size + "; how strongly a stage oscillates differs from tube to tube";
        }
        if (loading > LOADING) {
            return size + "; the sheet's meter draws on this point, so its value hangs on that very meter";
        }
        if (share <= policy.spread()) {
            return size + ", within what tubes and parts of a healthy set differ";
        }
        return size
                + ", more than tubes and parts of a healthy set differ: check the values entered around it, "
                + "or what the sheet's volume, band and meter were";
    }

    private static boolean differs(Reading reading, Bench bench) {
        return Math.abs(reading.lineVolts() - bench.lineVolts()) > 0.05
                || !reading.meter().equals(bench.meter());
    }

    private String names(Set<String> nodes) {
        List<String> named = nodes.stream().map(this::name).collect(Collectors.toList());
        return named.size() < 2
                ? String.join("", named)
                : String.join(", ", named.subList(0, named.size() - 1)) + " and " + named.get(named.size() - 1);
    }

    private static String percent(double off, double expected) {
        return Math.abs(expected) < 1 ? "" : " (" + Math.round(100 * Math.abs(off / expected)) + " %)";
    }

    static String share(double fraction) {
        return new java.math.BigDecimal(100 * fraction)
                        .round(new java.math.MathContext(3))
                        .stripTrailingZeros()
                        .toPlainString()
                + " %";
    }

    private static String capital(String text) {
        return Character.toUpperCase(text.charAt(0)) + text.substring(1);
    }
}
