package org.umberdial.core.draft;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubeType;
import org.umberdial.core.tube.TubeUse;

/**
 * Which electrode system carries which stage. Goes by what the tubes are and by how many there are of a kind, never by
 * whole line-ups; where several would do, the first by name, so that the order given makes no difference. One use.
 */
final class Cast {
    final List<Fitted> rectifiers = new ArrayList<>();
    final List<Fitted> eyes = new ArrayList<>();
    final List<Fitted> regulators = new ArrayList<>();
    final List<Fitted> ballasts = new ArrayList<>();
    final List<Unit> outputs = new ArrayList<>();
    /** Output tubes beyond two. */
    final List<Unit> surplus = new ArrayList<>();

    final List<Unit> rf = new ArrayList<>();
    final List<Unit> ifs = new ArrayList<>();
    final List<Unit> diodes = new ArrayList<>();
    /** Triodes and pentodes between first audio and the splitter or the output. */
    final List<Unit> drivers = new ArrayList<>();

    final List<Unit> splitter = new ArrayList<>();
    final List<Unit> fmFront = new ArrayList<>();
    final List<Fitted> idle = new ArrayList<>();
    Optional<Unit> converter = Optional.empty();
    Optional<Unit> oscillator = Optional.empty();
    Optional<Unit> gridDetector = Optional.empty();
    Optional<Unit> firstAudio = Optional.empty();
    /** A second first audio stage, of a stereo amplifier. */
    Optional<Unit> secondChannel = Optional.empty();

    boolean stereo;

    private final List<Unit> left = new ArrayList<>();

    Cast(LineUp lineUp, Answers answers) {
        // Any order gives the same set.
        List<Fitted> sorted = lineUp.tubes().stream()
                .sorted(Comparator.comparing(
                        tube -> tube.type().map(TubeType::name).orElse(tube.typed())))
                .toList();
        for (Fitted tube : sorted) {
            Optional<TubeUse> use = tube.type().map(type -> type.use());
            if (use.filter(TubeUse::rectifies).isPresent()) {
                rectifiers.add(tube);
            } else if (use.filter(TubeUse.EYE::equals).isPresent()) {
                eyes.add(tube);
            } else if (use.filter(TubeUse.REGULATOR::equals).isPresent()) {
                regulators.add(tube);
            } else if (use.filter(TubeUse.BALLAST::equals).isPresent()
                    || tube.type().isEmpty() && LineUp.ballast(tube).isPresent()) {
                ballasts.add(tube);
            } else {
                tube.systems().stream()
                        .map(system -> new Unit(tube, system))
                        .filter(Unit::hasLaw)
                        .forEach(left::add);
            }
        }
        takeAll(outputs, Unit::isOutput);
        surplus.addAll(outputs.subList(Math.min(2, outputs.size()), outputs.size()));
        outputs.removeAll(surplus);
        takeAll(
                diodes,
                unit -> unit.is(Section.DIODE) && !unit.system().letter().equals("R"));
        radio();
        audio(answers);
        // The detector is where the audio goes on.
        diodes.sort(Comparator.comparing(
                unit -> firstAudio.filter(one -> one.tube().equals(unit.tube())).isEmpty()));
        for (Fitted tube : lineUp.tubes()) {
            if (left.stream().anyMatch(unit -> unit.tube().equals(tube)) && !isCast(tube)) {
                idle.add(tube);
            }
        }
    }

    boolean isRadio() {
        return converter.isPresent() || !rf.isEmpty() || !ifs.isEmpty();
    }

    boolean isFm() {
        return !fmFront.isEmpty();
    }

    private boolean isCast(Fitted tube) {
        List<Unit> cast = new ArrayList<>(outputs);
        cast.addAll(surplus);
        for (List<Unit> some : List.of(rf, ifs, drivers, splitter, fmFront, diodes)) {
            cast.addAll(some);
        }
        for (Optional<Unit> one : List.of(converter, oscillator, gridDetector, firstAudio, secondChannel)) {
            one.ifPresent(cast::add);
        }
        return cast.stream().anyMatch(unit -> unit.tube().equals(tube));
    }

    private void radio() {
        converter = take(unit -> unit.is(Section.HEPTODE) && unit.use() == TubeUse.CONVERTER_PENTAGRID)
                .or(() -> take(unit -> unit.is(Section.HEPTODE)));
        converter.ifPresent(mixer ->
                oscillator = take(unit -> unit.tube().equals(mixer.tube()) && unit.is(Section.TRIODE))
                        .or(() -> mixer.use() == TubeUse.MIXER
                                ? take(unit -> unit.is(Section.TRIODE) && unit.use() == TubeUse.TRIODE)
                                : Optional.empty()));
        // A second converter bulb amplifies at IF with its hexode; its triode is left for audio.
        takeAll(ifs, unit -> unit.is(Section.HEPTODE));
        boolean vhf = left.stream().anyMatch(Unit::isVhf);
        if (converter.isPresent() && vhf) {
            fmFrontEnd();
        }
        List<Unit> pentodes = new ArrayList<>();
        takeAll(pentodes, unit -> unit.is(Section.PENTODE) && (remote(unit) || unit.use() == TubeUse.TETRODE));
        boolean triodes = left.stream().anyMatch(unit -> unit.is(Section.TRIODE) && !unit.isVhf());
        List<Unit> withDiodes = new ArrayList<>();
        takeAll(withDiodes, unit -> unit.is(Section.PENTODE) && unit.use() == TubeUse.PENTODE_DIODE);
        List<Unit> sharp = new ArrayList<>();
        takeAll(sharp, unit -> unit.is(Section.PENTODE));
        boolean radio = converter.isPresent()
                || !pentodes.isEmpty()
                || !withDiodes.isEmpty()
                || sharp.size() > 1 && !diodes.isEmpty();
        if (!radio) {
            left.addAll(sharp);
            return;
        }
        boolean noIf = pentodes.isEmpty() && ifs.isEmpty();
        // Without a triode a pentode is the first audio tube: one with a diode before one without.
        if (!triodes) {
            if (!withDiodes.isEmpty() && !(noIf && withDiodes.size() == 1 && sharp.isEmpty())) {
                firstAudio = Optional.of(withDiodes.remove(withDiodes.size() - 1));
            } else if (!sharp.isEmpty()
                    && converter.isPresent()
                    && !(noIf && withDiodes.isEmpty() && sharp.size() == 1)) {
                firstAudio = Optional.of(sharp.remove(sharp.size() - 1));
            }
        }
        List<Unit> amplifiers = new ArrayList<>(pentodes);
        if (diodes.isEmpty() && (converter.isEmpty() || triodes || sharpTetrodes(amplifiers) > 0)) {
            withoutDiode(amplifiers, sharp);
            if (converter.isEmpty()) {
                return;
            }
        }
        // One stage stays for the IF; what is more begins at radio frequency.
        int forIf = withDiodes.isEmpty() && ifs.isEmpty() ? 1 : 0;
        if (converter.isPresent() && !isFm() && amplifiers.size() > forIf) {
            rf.add(amplifiers.remove(0));
        }
        ifs.addAll(0, amplifiers);
        ifs.addAll(sharp);
        ifs.addAll(withDiodes);
    }

    private static long sharpTetrodes(List<Unit> amplifiers) {
        return amplifiers.stream().filter(unit -> unit.use() == TubeUse.TETRODE).count();
    }

    /**
     * A detector without a diode: a sharp pentode, behind a converter the last screen-grid tube, else a triode. What
     * stays of a set without a converter amplifies at radio frequency.
     */
    private void withoutDiode(List<Unit> amplifiers, List<Unit> sharp) {
        boolean triode = left.stream().anyMatch(unit -> unit.is(Section.TRIODE));
        if (!sharp.isEmpty()) {
            gridDetector = Optional.of(sharp.remove(0));
        } else if (amplifiers.size() > 1 && (converter.isPresent() || !triode) && sharpTetrodes(amplifiers) > 0) {
            Unit last = amplifiers.stream()
                    .filter(unit -> unit.use() == TubeUse.TETRODE)
                    .reduce((a, b) -> b)
                    .orElseThrow();
            amplifiers.remove(last);
            gridDetector = Optional.of(last);
        } else {
            gridDetector = take(unit -> unit.is(Section.TRIODE));
        }
        if (converter.isEmpty()) {
            rf.addAll(amplifiers);
            left.addAll(sharp);
        }
    }

    private static boolean remote(Unit unit) {
        return unit.use() == TubeUse.PENTODE_REMOTE;
    }

    /** The first bulb with a VHF triode: both its halves, or with the pentode beside it. */
    private void fmFrontEnd() {
        Fitted front =
                left.stream().filter(Unit::isVhf).findFirst().orElseThrow().tube();
        boolean pushPullNeedsIt = outputs.size() > 1
                && left.stream()
                        .noneMatch(
                                unit -> unit.is(Section.TRIODE) && !unit.tube().equals(front));
        if (!pushPullNeedsIt) {
            takeAll(fmFront, unit -> unit.tube().equals(front));
        }
    }

    private void audio(Answers answers) {
        List<Unit> triodes = new ArrayList<>();
        if (firstAudio.isEmpty()) {
            firstAudio = take(unit -> unit.is(Section.TRIODE) && unit.use() == TubeUse.TRIODE_DIODE)
                    .or(() -> take(unit -> unit.is(Section.PENTODE)))
                    .or(() -> take(unit -> unit.is(Section.TRIODE) && unit.mu() >= 35))
                    .or(() -> take(unit -> unit.is(Section.TRIODE)));
        }
        boolean alike = outputs.size() > 1
                && outputs.stream()
                        .allMatch(unit ->
                                unit.type().name().equals(outputs.get(0).type().name()));
        stereo = answers.output()
                .map(Answers.Ends.STEREO::equals)
                .orElse(!isRadio() && alike && outputs.get(0).use() == TubeUse.TRIODE_OUTPUT);
        stereo &= outputs.size() > 1;
        if (stereo) {
            secondChannel = take(unit ->
                    unit.is(firstAudio.map(one -> one.system().section()).orElse(Section.TRIODE)));
        }
        takeAll(triodes, unit -> unit.is(Section.TRIODE));
        if (outputs.size() > 1 && !stereo) {
            int needed = triodes.size() > 1
                            && triodes.get(triodes.size() - 1)
                                    .tube()
                                    .equals(triodes.get(triodes.size() - 2).tube())
                    ? 2
                    : Math.min(1, triodes.size());
            List<Unit> last = triodes.subList(triodes.size() - needed, triodes.size());
            splitter.addAll(last);
            last.clear();
        }
        takeAll(triodes, unit -> unit.is(Section.PENTODE));
        // More than two stages before an output tube oscillate; what is over stays idle.
        while (!triodes.isEmpty() && drivers.size() < 1 && firstAudio.isPresent()) {
            drivers.add(triodes.remove(0));
        }
        left.addAll(triodes);
    }

    private Optional<Unit> take(Predicate<Unit> wanted) {
        Optional<Unit> found = left.stream().filter(wanted).findFirst();
        found.ifPresent(left::remove);
        return found;
    }

    private void takeAll(List<Unit> into, Predicate<Unit> wanted) {
        List<Unit> found = left.stream().filter(wanted).toList();
        into.addAll(found);
        left.removeAll(found);
    }
}
