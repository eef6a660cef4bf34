package org.umberdial.core.player;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.evidence.SpeedRead.Load;
import org.umberdial.core.evidence.SpeedRead.What;
import org.umberdial.core.policy.HousePolicy;

/** What speeds that were read say by themselves. A sign nobody read enough for is absent, not denied. */
final class SpeedSigns {
    /** A record and an arm hardly brake a sound drive; half of what a speed may be off is more than scatter. */
    private static final double SHARE_OF_BAND = 0.5;
    /** A motor under way for no longer is cold [min]. */
    static final double COLD_MINUTES = 3;
    /** One under way for so long is warm [min]. */
    static final double WARM_MINUTES = 10;

    private static final double LINE_RATIO = 60.0 / 50;
    private static final double LINE_APART = 0.02;
    /** An induction motor slips more under load; this much more is a brake [fraction]. */
    private static final double MOTOR_SLOW = 0.03;
    /** What diameters by calliper leave open when platter and motor are compared [fraction]. */
    private static final double DIAMETERS = 0.05;
    /** Of the house's most, from which one line is worth a cause, weighted as far as it is slow. */
    private static final double LINE_SHARE = 0.125;

    private static final double SLOW_COUNTS = 0.3;
    private static final double SAME_SPEED = 0.005;
    /** From so long a tone on, a line that is not there is not there [s]. */
    private static final double LONG_ENOUGH = 20;

    private final Optional<Drive> drive;
    private final List<SpeedRead> reads;
    private final HousePolicy.Finish band;
    private final double lineHertz;
    private final Map<String, Boolean> signs = new LinkedHashMap<>();

    private SpeedSigns(Optional<Drive> drive, List<SpeedRead> reads, HousePolicy policy) {
        this.drive = drive;
        this.reads = reads;
        band = policy.finish();
        lineHertz = policy.lineHertz();
    }

    /** @param reads in the order of time */
    static Map<String, Boolean> of(Optional<Drive> drive, List<SpeedRead> reads, HousePolicy policy) {
        SpeedSigns of = new SpeedSigns(drive, reads, policy);
        of.speeds();
        of.loaded();
        of.warming();
        of.motor();
        of.steadiness();
        return of.signs;
    }

    private Optional<SpeedRead> last(Predicate<SpeedRead> which) {
        return reads.stream().filter(which).reduce((first, second) -> second);
    }

    private static Predicate<SpeedRead> is(What what, Load load) {
        return r -> r.what().sounds() == what.sounds() && (r.load() == Load.PLAYING) == (load == Load.PLAYING);
    }

    /** 33.3 and 33⅓ are one speed. */
    private static boolean same(double one, double other) {
        return Math.abs(one / other - 1) < SAME_SPEED;
    }

    /** The last of each speed, free where that was read, else as it played. */
    private List<SpeedRead> each() {
        List<SpeedRead> each = new ArrayList<>();
        reads.stream()
                .filter(r -> r.what().sounds())
                .mapToDouble(SpeedRead::rpm)
                .distinct()
                .sorted()
                .forEach(rpm -> {
                    Predicate<SpeedRead> here = r -> same(r.rpm(), rpm);
                    last(here.and(is(What.PLATTER, Load.FREE)))
                            .or(() -> last(here.and(is(What.PLATTER, Load.PLAYING))))
                            .ifPresent(each::add);
                });
        return each;
    }

    private boolean slow(SpeedRead read) {
        return read.off() + read.within() / read.rpm() < -band.speedApart();
    }

    private boolean fast(SpeedRead read) {
        return read.off() - read.within() / read.rpm() > band.speedApart();
    }

    private void speeds() {
        List<SpeedRead> each = each();
        if (each.isEmpty()) {
            return;
        }
        // Slow with the arm on may be slip; only what turned free is slow free.
        if (each.stream().anyMatch(r -> !slow(r))) {
            signs.put("slow_free", false);
        } else if (each.stream().allMatch(r -> r.load() != Load.PLAYING)) {
            signs.put("slow_free", true);
        }
        signs.put("fast_free", each.stream().allMatch(this::fast));
        if (each.size() > 1) {
            double least = each.stream().mapToDouble(SpeedRead::off).min().orElse(0);
            double most = each.stream().mapToDouble(SpeedRead::off).max().orElse(0);
            boolean right = each.stream().anyMatch(r -> !slow(r) && !fast(r));
            signs.put("one_speed", right && most - least > band.speedApart());
        }
        signs.put("mains_50", each.stream().allMatch(r -> Math.abs((1 + r.off()) * LINE_RATIO - 1) < LINE_APART));
        signs.put("mains_60", each.stream().allMatch(r -> Math.abs((1 + r.off()) / LINE_RATIO - 1) < LINE_APART));
    }

    /** How much slower something turned with the arm on than free, at one speed; below 0 when slower. */
    private OptionalDouble drop(What what) {
        for (int i = reads.size() - 1; i >= 0; i--) {
            SpeedRead playing = reads.get(i);
            if (is(what, Load.PLAYING).test(playing)) {
                Optional<SpeedRead> free = last(is(what, Load.FREE).and(r -> same(r.rpm(), playing.rpm())));
                if (free.isPresent()) {
                    return OptionalDouble.of(playing.measuredRpm() / free.get().measuredRpm() - 1);
                }
            }
        }
        return OptionalDouble.empty();
    }

    private void loaded() {
        OptionalDouble platter = drop(What.PLATTER);
        if (platter.isEmpty()) {
            return;
        }
        boolean slower = platter.getAsDouble() < -SHARE_OF_BAND * band.speedApart();
        signs.put("slow_loaded", slower);
        OptionalDouble motor = drop(What.MOTOR);
        if (slower && motor.isPresent()) {
            signs.put("slip", motor.getAsDouble() > platter.getAsDouble() / 2);
        }
    }

    private void warming() {
        for (int i = reads.size() - 1; i >= 0; i--) {
            SpeedRead warm = reads.get(i);
            if (!warm.what().sounds() || warm.minutes().orElse(0.0) < WARM_MINUTES) {
                continue;
            }
            Optional<SpeedRead> cold = last(r -> r.what().sounds()
                    && same(r.rpm(), warm.rpm())
                    && r.load() == warm.load()
                    && r.minutes().filter(m -> m <= COLD_MINUTES).isPresent());
            if (cold.isPresent()) {
                double gained = warm.measuredRpm() / cold.get().measuredRpm() - 1;
                signs.put("slow_cold", slow(cold.get()) && !slow(warm));
                signs.put("sags_warm", gained < -SHARE_OF_BAND * band.speedApart());
                return;
            }
        }
    }

    private void motor() {
        Optional<SpeedRead> motor = last(r -> r.what() == What.MOTOR);
        motor.ifPresent(m -> signs.put("motor_slow", m.off() < -MOTOR_SLOW));
        if (motor.isEmpty() || signs.containsKey("slip")) {
            return;
        }
        last(is(What.PLATTER, motor.get().load()))
                .ifPresent(platter -> drive.map(d -> d.ratio(platter.rpm()))
                        .filter(OptionalDouble::isPresent)
                        .ifPresent(ratio -> {
                            double made = motor.get().measuredRpm() * ratio.getAsDouble();
                            signs.put("slip", platter.measuredRpm() / made - 1 < -DIAMETERS);
                        }));
    }

    private void steadiness() {
        Optional<SpeedRead> read = last(r -> r.tone().isPresent());
        if (read.isEmpty()) {
            return;
        }
        SpeedRead.Tone tone = read.get().tone().orElseThrow();
        List<Turning> turning = drive.map(
                        d -> d.turning(read.get().rpm(), read.get().measuredRpm(), lineHertz))
                .orElse(List.of());
        List<NamedLine> lines = NamedLine.of(tone, turning);
        for (Turning.Part part : Turning.Part.values()) {
            boolean known = turning.stream().anyMatch(t -> t.part() == part);
            boolean there = lines.stream()
                    .anyMatch(l ->
                            counts(l.line()) && l.part().filter(part::equals).isPresent());
            boolean perhaps = lines.stream()
                    .anyMatch(l -> counts(l.line()) && l.may().stream().anyMatch(t -> t.part() == part));
            if (there) {
                signs.put(sign(part), true);
            } else if (known && !perhaps && tone.seconds() >= LONG_ENOUGH) {
                signs.put(sign(part), false);
            }
        }
        HalfRound.of(reads).ifPresent(half -> {
            if (half.record() || half.platter()) {
                signs.put("wow_turns", half.record());
            }
        });
    }

    private boolean counts(SpeedRead.Line line) {
        double share = Math.max(SLOW_COUNTS, Math.min(1, line.hertz() / 4));
        return line.percent() / 100 * share >= LINE_SHARE * band.wowMost();
    }

    private static String sign(Turning.Part part) {
        return switch (part) {
            case PLATTER -> "wow_platter";
            case IDLER -> "wow_idler";
            case BELT -> "wow_belt";
            case MOTOR -> "wow_motor";
            case HUM -> "hum_flutter";
        };
    }
}
