package org.umberdial.core.player;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.TreeMap;
import org.umberdial.core.evidence.PlayerDescribed;
import org.umberdial.core.value.InvalidEntry;

/** A player's drive with its diameters, and what follows from them. */
public final class Drive {
    private static final double LEAST_MM = 0.3;
    private static final double MOST_MM = 2000;
    private static final double LEAST_RPM = 1;
    private static final double MOST_RPM = 5000;
    private static final double MOST_STEPS = 6;
    /** What a calliper on rubber and a worn step leave open, a fraction. */
    private static final double MEASURED = 0.03;
    /** What the tone's own record leaves open, a fraction. */
    private static final double TURNED = 0.01;

    private final DriveKind kind;
    private final PlayerDescribed described;
    private final Map<Double, Double> steps = new TreeMap<>();

    private Drive(PlayerDescribed described) {
        this.described = described;
        kind = DriveKind.of(described.drive());
        described.steps().forEach((rpm, mm) -> steps.put(Double.parseDouble(rpm), mm));
    }

    /**
     * The drive as it was described.
     *
     * @throws InvalidEntry when a figure cannot be, with what would be right
     */
    public static Drive of(PlayerDescribed described) {
        described.idlerMm().ifPresent(mm -> size("idlerMm", "The idler’s diameter", mm));
        described.rimMm().ifPresent(mm -> size("rimMm", "The rim’s diameter", mm));
        described.beltMm().ifPresent(mm -> size("beltMm", "The belt’s length", mm));
        described.beltThickMm().ifPresent(mm -> size("beltThickMm", "The belt’s thickness", mm));
        described.motorRpm().ifPresent(rpm -> turns("motorRpm", "The motor’s speed", rpm));
        described.madeForHertz().ifPresent(hertz -> {
            if (!(hertz >= 10 && hertz <= 1000)) {
                throw refused("madeForHertz", "A motor for " + number(hertz) + " Hz is not usual; enter 50 or 60.");
            }
        });
        if (described.steps().size() > MOST_STEPS) {
            throw refused("steps", "A shaft with " + described.steps().size() + " steps is not usual; enter up to 6.");
        }
        described.steps().forEach((rpm, mm) -> {
            try {
                turns("steps", "The speed of a step", Double.parseDouble(rpm));
            } catch (NumberFormatException notANumber) {
                throw refused("steps", "“" + rpm + "” is no speed; enter turns a minute, as in 33.33.");
            }
            size("steps", "The diameter of the step for " + rpm, mm);
        });
        return new Drive(described);
    }

    private static void size(String field, String what, double mm) {
        if (!(mm >= LEAST_MM && mm <= MOST_MM) && !(field.equals("beltThickMm") && mm > 0 && mm <= 10)) {
            throw refused(field, what + " of " + number(mm) + " mm cannot be; enter millimetres, as in 38.1.");
        }
    }

    private static void turns(String field, String what, double rpm) {
        if (!(rpm >= LEAST_RPM && rpm <= MOST_RPM)) {
            throw refused(
                    field, what + " of " + number(rpm) + " turns a minute cannot be; enter 1 to 5000, as in 1440.");
        }
    }

    private static InvalidEntry refused(String field, String words) {
        return new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, words).at(field);
    }

    private static String number(double value) {
        return value == Math.rint(value) ? String.valueOf((long) value) : String.valueOf(value);
    }

    public DriveKind kind() {
        return kind;
    }

    public PlayerDescribed described() {
        return described;
    }

    /** Diameters of the shaft's steps [mm] by the speed each is for [1/min]. */
    public Map<Double, Double> steps() {
        return Map.copyOf(steps);
    }

    /** Diameter of the step for a speed [mm]; empty when nobody measured it. */
    public OptionalDouble step(double rpm) {
        return steps.entrySet().stream()
                .filter(step -> Math.abs(step.getKey() / rpm - 1) < 0.02)
                .mapToDouble(Map.Entry::getValue)
                .findFirst();
    }

    /** Platter turns for one turn of the motor at a speed setting; empty where a diameter is missing. */
    public OptionalDouble ratio(double rpm) {
        OptionalDouble step = step(rpm);
        if (kind == DriveKind.DIRECT) {
            return OptionalDouble.of(1);
        }
        if (!kind.carries() || step.isEmpty() || described.rimMm().isEmpty()) {
            return OptionalDouble.empty();
        }
        // Where the belt lies its middle runs, half its thickness out.
        double thick = kind == DriveKind.BELT ? described.beltThickMm().orElse(0.0) : 0;
        return OptionalDouble.of(
                (step.getAsDouble() + thick) / (described.rimMm().get() + thick));
    }

    /** The speed that motor and diameters make of a setting [1/min]; empty where one is missing. */
    public OptionalDouble made(double rpm) {
        OptionalDouble ratio = ratio(rpm);
        return ratio.isPresent() && described.motorRpm().isPresent()
                ? OptionalDouble.of(described.motorRpm().get() * ratio.getAsDouble())
                : OptionalDouble.empty();
    }

    /**
     * The step that would make the right speed of a motor that turns so fast [mm]; empty where a diameter is missing.
     */
    public OptionalDouble stepFor(double rpm, double motorRpm) {
        if (described.rimMm().isEmpty() || !kind.carries()) {
            return OptionalDouble.empty();
        }
        double thick = kind == DriveKind.BELT ? described.beltThickMm().orElse(0.0) : 0;
        return OptionalDouble.of(rpm / motorRpm * (described.rimMm().get() + thick) - thick);
    }

    /**
     * What turns, and how often, while the platter turns so fast.
     *
     * @param setting the speed chosen [1/min], whose step is in use
     * @param rpm how fast the platter turns [1/min]
     * @param lineHertz frequency of the line [Hz]
     */
    public List<Turning> turning(double setting, double rpm, double lineHertz) {
        List<Turning> all = new ArrayList<>();
        double platter = rpm / 60;
        if (kind.turnsRecords()) {
            all.add(new Turning("platter", "platter or record, once a turn", Turning.Part.PLATTER, 1, platter, TURNED));
            all.add(new Turning(
                    "platter2", "platter or record, twice a turn", Turning.Part.PLATTER, 2, 2 * platter, TURNED));
            all.add(new Turning(
                    "platter3", "platter or record, three times a turn", Turning.Part.PLATTER, 3, 3 * platter, TURNED));
        }
        Optional<Double> rim = described.rimMm();
        if (kind == DriveKind.IDLER && rim.isPresent()) {
            described.idlerMm().ifPresent(mm -> {
                double idler = platter * rim.get() / mm;
                all.add(new Turning("idler", "idler, once a turn", Turning.Part.IDLER, 1, idler, MEASURED));
                all.add(new Turning("idler2", "idler, twice a turn", Turning.Part.IDLER, 2, 2 * idler, MEASURED));
            });
        }
        if (kind == DriveKind.BELT && rim.isPresent()) {
            double thick = described.beltThickMm().orElse(0.0);
            described
                    .beltMm()
                    .ifPresent(mm -> all.add(new Turning(
                            "belt",
                            "belt, once a turn",
                            Turning.Part.BELT,
                            1,
                            platter * Math.PI * (rim.get() + thick) / mm,
                            MEASURED)));
        }
        ratio(setting).ifPresent(ratio -> {
            if (kind != DriveKind.DIRECT) {
                double shaft = platter / ratio;
                all.add(new Turning("motor", "motor shaft, once a turn", Turning.Part.MOTOR, 1, shaft, MEASURED));
                all.add(new Turning("motor2", "motor shaft, twice a turn", Turning.Part.MOTOR, 2, 2 * shaft, MEASURED));
            }
        });
        if (kind != DriveKind.SPRING) {
            all.add(new Turning(
                    "hum", "the motor’s pull, twice the line’s frequency", Turning.Part.HUM, 1, 2 * lineHertz, TURNED));
        }
        return List.copyOf(all);
    }
}
