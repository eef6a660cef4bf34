package org.umberdial.core.draft;

import static org.umberdial.core.draft.Board.GROUND;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.umberdial.core.tube.Electrode;
import org.umberdial.core.tube.Section;
import org.umberdial.core.tube.TubePoint;

/** Output stages, single and push-pull, with their transformer and loudspeaker. */
final class OutputStages {
    private static final double SPEAKER_OHMS = 3.2;
    /** A tube that wants less works at no bias [V]. */
    static final double LEAST_BIAS = 0.5;

    /** Copper of a primary, as a share of the load it presents. */
    private static final double PRIMARY_SHARE = 0.07;
    /** A screen this far below the plate supply has a dropper of its own. */
    private static final double LOW_SCREEN = 0.75;

    private final Board board;
    private final Plan plan;
    private final Map<Unit, String> grids = new HashMap<>();
    private final Map<Unit, String> cathodes = new HashMap<>();

    OutputStages(Board board, Plan plan) {
        this.board = board;
        this.plan = plan;
    }

    /** @param suffix tells the stages of a stereo pair apart */
    void single(Unit unit, String from, String suffix) {
        String grid = grid(unit, from);
        TubePoint point = point(unit);
        cathode(unit, List.of(unit));
        String plate = unit.node(Electrode.PLATE);
        place(unit, point);
        double load = point.plateVolts().orElse(250) / point.plateAmperes().orElse(0.04);
        board.transformer(
                suffix.isEmpty() ? "XT1" : "XT4",
                List.of(plan.outputRail(), plate, "speaker" + suffix, GROUND),
                new double[] {100, 100 * Math.sqrt(SPEAKER_OHMS / load)},
                new double[] {load * PRIMARY_SHARE, 0.4},
                10,
                "output transformer");
        board.winding("speaker" + suffix, GROUND, SPEAKER_OHMS, "voice coil");
        board.capacitor(plate, plan.outputRail(), 4.7e-9, "paper", "plate tone");
        board.point(grid);
    }

    /** Two tubes on one transformer. */
    void pushPull(Unit first, Unit second, String fromFirst, String fromSecond) {
        TubePoint point = point(first);
        grid(first, fromFirst);
        grid(second, fromSecond);
        finishPair(first, second, point);
    }

    /** The same behind a driver transformer, whose ends are the grids. */
    void pushPullBehindTransformer(Unit first, Unit second, String[] ends) {
        grids.put(first, ends[0]);
        grids.put(second, ends[1]);
        finishPair(first, second, point(first));
    }

    private void finishPair(Unit first, Unit second, TubePoint point) {
        cathode(first, List.of(first, second));
        place(first, point);
        place(second, point);
        double load = 2 * point.plateVolts().orElse(250) / point.plateAmperes().orElse(0.04);
        double half = load * PRIMARY_SHARE / 2;
        board.transformer(
                "XT1",
                List.of(
                        first.node(Electrode.PLATE),
                        plan.outputRail(),
                        plan.outputRail(),
                        second.node(Electrode.PLATE),
                        "speaker",
                        GROUND),
                new double[] {50, 50, 100 * Math.sqrt(SPEAKER_OHMS / load)},
                new double[] {half, half * 1.1, 0.4},
                5,
                "output transformer");
        board.winding("speaker", GROUND, SPEAKER_OHMS, "voice coil");
    }

    /** A tube whose grid nothing drives: it stands in its socket and says so. */
    void undriven(Unit unit) {
        grids.put(unit, unit.node(Electrode.GRID));
        board.resistor(unit.node(Electrode.GRID), gridReturn(unit), 470e3, "grid leak");
        TubePoint point = point(unit);
        cathode(unit, List.of(unit));
        place(unit, point);
        board.winding(plan.outputRail(), unit.node(Electrode.PLATE), 300, "output transformer, half not drafted");
    }

    private String grid(Unit unit, String from) {
        String grid = unit.node(Electrode.GRID);
        board.capacitor(from, grid, plan.bplusVolts() < 150 ? 0.01e-6 : 0.02e-6, "paper", "coupling");
        board.resistor(grid, gridReturn(unit), 470e3, "grid leak");
        grids.put(unit, grid);
        return grid;
    }

    /** Where the grids of the output tubes come back to. */
    String gridReturn(Unit unit) {
        return plan.negativeGrids() && biasVolts(unit) >= LEAST_BIAS ? "bias" : GROUND;
    }

    /** What a tube wants between grid and cathode [V]. */
    double biasVolts(Unit unit) {
        return Math.abs(point(unit).gridVolts().orElse(8));
    }

    TubePoint point(Unit unit) {
        return unit.near(plan.outputVolts()).orElseThrow();
    }

    /** What the plates draw together [A]. */
    double plateAmperes(List<Unit> units) {
        return units.stream()
                .mapToDouble(unit -> point(unit).plateAmperes().orElse(0))
                .sum();
    }

    /** What the tubes draw together, screens counted [A]. */
    double amperes(List<Unit> units) {
        return units.stream()
                .mapToDouble(unit -> point(unit).plateAmperes().orElse(0)
                        + point(unit).screenAmperes().orElse(0))
                .sum();
    }

    private void cathode(Unit at, List<Unit> units) {
        double bias = biasVolts(at);
        if (plan.negativeGrids() || bias < LEAST_BIAS) {
            units.forEach(unit -> cathodes.put(unit, GROUND));
            return;
        }
        String cathode = at.node(Electrode.CATHODE);
        units.forEach(unit -> cathodes.put(unit, cathode));
        String resistor = board.wirewound(cathode, GROUND, bias / amperes(units), "cathode bias");
        units.forEach(unit -> board.cools(unit, resistor));
        board.electrolytic(cathode, GROUND, 25e-6, "cathode bypass");
    }

    private void place(Unit unit, TubePoint point) {
        Map<Electrode, String> at = new HashMap<>();
        at.put(Electrode.GRID, grids.getOrDefault(unit, unit.node(Electrode.GRID)));
        at.put(Electrode.CATHODE, cathodes.get(unit));
        if (unit.is(Section.PENTODE)) {
            double wanted = point.screenVolts().orElse(plan.bplusVolts());
            boolean low = wanted < LOW_SCREEN * plan.bplusVolts()
                    && wanted < LOW_SCREEN * point.plateVolts().orElse(250);
            at.put(Electrode.SCREEN, low ? unit.node(Electrode.SCREEN) : Board.BPLUS);
            if (low) {
                board.wirewound(
                        Board.BPLUS,
                        unit.node(Electrode.SCREEN),
                        (plan.bplusVolts() - wanted) / point.screenAmperes().orElse(5e-3),
                        "screen dropper");
                board.electrolytic(unit.node(Electrode.SCREEN), GROUND, 8e-6, "screen bypass");
            }
        }
        board.tube(unit, at, "");
    }

    String cathodeOf(Unit unit) {
        return cathodes.getOrDefault(unit, GROUND);
    }
}
