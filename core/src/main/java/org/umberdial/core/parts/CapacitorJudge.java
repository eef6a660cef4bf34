package org.umberdial.core.parts;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Observation.Word;
import org.umberdial.core.evidence.Measured;
import org.umberdial.core.parts.Judged.Found;
import org.umberdial.core.parts.LeakJudge.Leak;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/**
 * A capacitor by its three measures together. A leakage test alone calls an open one perfect; a capacitance meter alone
 * takes a leak for more capacitance; neither sees a dried one that its series resistance gives away.
 *
 * <p>Source: JOB section 3; FORMULAS, Leakage. The dried limit is the loss angle: tan δ = 2πf C ESR at 120 Hz.
 */
final class CapacitorJudge {
    private static final double LOSS_HERTZ = 120;

    private final CapacitorCase part;
    private final LeakJudge.Said leak;
    private final Optional<Taken> capacitance;
    private final Optional<Taken> series;
    private final List<Found> found = new ArrayList<>();

    private CapacitorJudge(CapacitorCase part) {
        this.part = part;
        leak = new LeakJudge(part).judge();
        capacitance = last(Measured.FARADS);
        series = last(Measured.ESR_OHMS);
    }

    static Judged judge(CapacitorCase part) {
        return new CapacitorJudge(part).judged();
    }

    /** Of readings by itself the last, else of those in place. */
    private Optional<Taken> last(Measured measured) {
        List<Taken> all = part.readings().stream()
                .filter(t -> t.read().figure(measured).isPresent())
                .toList();
        return all.stream()
                .filter(Taken::alone)
                .reduce((first, second) -> second)
                .or(() -> all.stream().reduce((first, second) -> second));
    }

    private record Size(PartState state, String says) {}

    private Judged judged() {
        if (part.readings().isEmpty()) {
            return part.place().line() && part.kind() != CapacitorKind.SAFETY
                    ? new Judged(PartState.BY_RULE, byRule(), List.of())
                    : new Judged(PartState.UNREAD, "", List.of());
        }
        Optional<Size> size = capacitance.flatMap(this::size);
        Optional<Size> dried = series.flatMap(this::dried);
        observe(size, dried);
        return new Judged(state(size, dried), says(size, dried), List.copyOf(found));
    }

    private Optional<Size> size(Taken taken) {
        if (part.marked().isEmpty()) {
            return Optional.empty();
        }
        double share = taken.read().figure(Measured.FARADS).getAsDouble()
                / part.marked().getAsDouble();
        String of = percent(share) + " of its mark";
        if (!taken.alone()) {
            return Optional.of(
                    share >= part.rules().low()
                            ? new Size(
                                    PartState.GOOD,
                                    "In place it is not open, which is all that capacitance shows there.")
                            : new Size(
                                    PartState.CANNOT_TELL,
                                    "In place it shows " + of + ": what is beside it may hide it, lift one end."));
        }
        if (!part.confirmed()) {
            return share < part.rules().low() || share > part.rules().high()
                    ? Optional.of(
                            new Size(
                                    PartState.UNUSUAL,
                                    percent(share)
                                            + " of what such sets usually have, which says nothing of this one. Compare with its schematic."))
                    : Optional.of(new Size(
                            PartState.NOT_PROVEN,
                            "About what such sets usually have; compare it with this set's schematic."));
        }
        if (share < part.rules().open()) {
            return Optional.of(
                    new Size(PartState.OPEN, "Open: it has " + of + ". A leakage test calls such a one perfect."));
        }
        if (share < part.rules().low()) {
            return Optional.of(
                    part.electrolytic()
                            ? new Size(PartState.DRIED, "Dried: it has " + of + ".")
                            : new Size(PartState.LOW, "It has lost capacitance: " + of + "."));
        }
        if (share > part.rules().high()) {
            return Optional.of(
                    passes()
                            ? new Size(
                                    PartState.NOT_AS_MARKED,
                                    "It has " + of
                                            + " and does not leak: a larger part was fitted, or the mark is misread.")
                            : new Size(
                                    PartState.FOOLED,
                                    "The meter shows " + of + ": most likely leaky, not larger. Test its leakage."));
        }
        return Optional.of(new Size(PartState.GOOD, "It has " + of + "."));
    }

    private boolean passes() {
        return leak.leak() == Leak.PASSES || leak.leak() == Leak.USABLE;
    }

    private Optional<Size> dried(Taken taken) {
        double esr = taken.read().figure(Measured.ESR_OHMS).getAsDouble();
        OptionalDouble most = part.marked().isEmpty() || !part.electrolytic()
                ? OptionalDouble.empty()
                : OptionalDouble.of(part.rules().lossAngle()
                        / (2 * Math.PI * LOSS_HERTZ * part.marked().getAsDouble()));
        if (most.isEmpty() || !part.confirmed()) {
            return Optional.empty();
        }
        // Parts beside it only make the series resistance less, so that too much of it is proof in place as well.
        return esr > most.getAsDouble()
                ? Optional.of(new Size(
                        PartState.DRIED,
                        "Dried: an ESR of " + Engineering.print(esr, Unit.OHM) + ", where its size allows "
                                + Engineering.print(most.getAsDouble(), Unit.OHM) + "."))
                : Optional.of(new Size(
                        PartState.GOOD,
                        taken.alone() ? "Its ESR is good." : "Its ESR is good in place, where others beside it help."));
    }

    private void observe(Optional<Size> size, Optional<Size> dried) {
        Taken bySize = capacitance.orElse(null);
        Taken bySeries = series.orElse(null);
        size.ifPresent(s -> {
            switch (s.state) {
                case OPEN -> {
                    add(Aspect.NOT_OPEN, Word.FAILED, bySize, s.says);
                    if (part.electrolytic()) {
                        add(Aspect.NOT_DRIED, Word.FAILED, bySize, s.says);
                    }
                }
                case DRIED -> add(Aspect.NOT_DRIED, Word.FAILED, bySize, s.says);
                case LOW, CANNOT_TELL, NOT_AS_MARKED -> add(Aspect.NOT_OPEN, Word.DOUBTED, bySize, s.says);
                case FOOLED -> add(Aspect.NO_LEAK, Word.DOUBTED, bySize, s.says);
                case GOOD -> {
                    add(Aspect.NOT_OPEN, Word.SOUND, bySize, s.says);
                    if (part.electrolytic()
                            && bySize.alone()
                            && dried.filter(d -> d.state == PartState.DRIED).isEmpty()) {
                        add(Aspect.NOT_DRIED, Word.SOUND, bySize, s.says);
                    }
                }
                default -> {
                    // Nothing is known to compare it with.
                }
            }
        });
        dried.filter(d -> d.state == PartState.DRIED)
                .ifPresent(d -> add(Aspect.NOT_DRIED, Word.FAILED, bySeries, d.says));
        leak.by().ifPresent(by -> {
            switch (leak.leak()) {
                case FAILS, SHORTED -> add(Aspect.NO_LEAK, Word.FAILED, by, leak.says());
                case PASSES -> add(Aspect.NO_LEAK, Word.SOUND, by, leak.says());
                case USABLE, UNWATCHED, HINT, CONFLICT, FORM_FIRST ->
                    add(Aspect.NO_LEAK, Word.DOUBTED, by, leak.says());
                default -> {
                    // Neither for nor against.
                }
            }
        });
    }

    private void add(Aspect aspect, Word word, Taken by, String says) {
        found.removeIf(f -> f.aspect() == aspect && f.word().ordinal() < word.ordinal());
        if (found.stream().noneMatch(f -> f.aspect() == aspect)) {
            found.add(new Found(aspect, word, by, says));
        }
    }

    private PartState state(Optional<Size> size, Optional<Size> dried) {
        PartState bySize = size.map(Size::state).orElse(PartState.UNREAD);
        if (leak.leak() == Leak.SHORTED) {
            return PartState.SHORTED;
        }
        if (leak.leak() == Leak.FAILS) {
            return PartState.LEAKY;
        }
        if (bySize == PartState.OPEN) {
            return bySize;
        }
        if (bySize == PartState.DRIED
                || dried.filter(d -> d.state == PartState.DRIED).isPresent()) {
            return PartState.DRIED;
        }
        if (part.place().line() && part.kind() != CapacitorKind.SAFETY) {
            return PartState.BY_RULE;
        }
        return switch (leak.leak()) {
            case FORM_FIRST -> PartState.FORM_FIRST;
            case CONFLICT -> PartState.CONFLICT;
            case HINT, UNWATCHED, IN_PLACE_ONLY -> PartState.CANNOT_TELL;
            default -> whole(bySize);
        };
    }

    /** Of one that nothing of its leak speaks against. */
    private PartState whole(PartState bySize) {
        if (bySize != PartState.GOOD && bySize != PartState.UNREAD) {
            return bySize;
        }
        boolean sized =
                bySize == PartState.GOOD && capacitance.filter(Taken::alone).isPresent();
        if (!passes()) {
            return PartState.NOT_PROVEN;
        }
        if (leak.leak() == Leak.USABLE) {
            return PartState.USABLE;
        }
        // What only holds its volts may be open.
        return sized || part.marked().isEmpty() ? PartState.GOOD : PartState.NOT_PROVEN;
    }

    private String says(Optional<Size> size, Optional<Size> dried) {
        List<String> says = new ArrayList<>();
        boolean bad = leak.leak() == Leak.FAILS || leak.leak() == Leak.SHORTED;
        PartState bySize = size.map(Size::state).orElse(PartState.UNREAD);
        if (!leak.says().isEmpty() && (bad || bySize != PartState.OPEN)) {
            says.add(leak.says());
        }
        dried.filter(d -> d.state == PartState.DRIED).ifPresent(d -> says.add(0, d.says));
        size.ifPresent(
                s -> says.add(s.state == PartState.OPEN || s.state == PartState.DRIED ? 0 : says.size(), s.says));
        dried.filter(d -> d.state == PartState.GOOD).ifPresent(d -> says.add(d.says));
        if (part.place().line() && part.kind() != CapacitorKind.SAFETY) {
            says.add(byRule());
        } else if (!bad && bySize != PartState.OPEN && bySize != PartState.DRIED) {
            left(size).ifPresent(says::add);
        }
        return String.join(" ", says);
    }

    /** What is still to be read before it is proven. */
    private Optional<String> left(Optional<Size> size) {
        if (leak.leak() == Leak.UNREAD) {
            return Optional.of(
                    capacitance.isEmpty()
                            ? "Its capacitance and its leak at working volts are not read yet."
                            : "Its leak at working volts is not read yet.");
        }
        return capacitance.isEmpty() && size.isEmpty() && passes()
                ? Optional.of("Its capacitance is not read yet: one that is open holds its volts too.")
                : capacitance.isEmpty() && series.isPresent()
                        ? Optional.of("Its capacitance is not read yet.")
                        : Optional.empty();
    }

    private static String byRule() {
        return "It bridges the line: a safety type goes in, whatever this one reads.";
    }

    private static String percent(double share) {
        return share > 10 ? String.format(Locale.ROOT, "%.0f times", share) : Math.round(100 * share) + " %";
    }
}
