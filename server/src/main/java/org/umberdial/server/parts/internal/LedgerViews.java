package org.umberdial.server.parts.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import java.time.Instant;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.evidence.ForNow;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.parts.Decision;
import org.umberdial.core.parts.PartRow;
import org.umberdial.core.parts.PartState;
import org.umberdial.core.parts.PartsLedger;
import org.umberdial.core.parts.WorkOrder;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;
import org.umberdial.server.guide.ActView;
import org.umberdial.server.setfile.OpenSet;

/** What the stage Parts shows, as the screens take it. */
final class LedgerViews {
    private static final Set<Equipment> READ_PARTS = EnumSet.of(
            Equipment.OHMMETER,
            Equipment.CAPACITANCE_METER,
            Equipment.ESR_METER,
            Equipment.LEAKAGE_TESTER,
            Equipment.INSULATION_TESTER,
            Equipment.TUBE_TESTER);

    private LedgerViews() {}

    /**
     * @param mark its verdict as a mark
     * @param leastOhms least leak resistance its place allows; null where that is no question or nobody knows
     * @param leakOhms leak resistance read last; null when none was read or none was seen
     * @param leakNone whether its last leakage test saw none
     * @param allowed the leak its place allows, in a sentence; empty where that is no question or nobody knows
     * @param grave whether it failed where it takes others with it
     */
    record LedgerRow(
            String reference,
            String called,
            String job,
            PartRow.Kind kind,
            String marked,
            String reading,
            String state,
            Verdict mark,
            String says,
            String consequence,
            String trial,
            Decision decision,
            String decisionLabel,
            String because,
            PartRow.Group group,
            String groupLabel,
            @Schema(nullable = true) Double leastOhms,
            @Schema(nullable = true) Double leakOhms,
            boolean leakNone,
            String allowed,
            String working,
            boolean open,
            boolean grave,
            @Schema(nullable = true) Instant at,
            List<String> entries) {}

    record LotView(String kind, int drifted, int read, int all, boolean lot) {}

    record ReaderView(String id, String name, String says) {}

    record LedgerView(
            int revision,
            String title,
            String danger,
            boolean liveChassis,
            String constructionLabel,
            List<LedgerRow> rows,
            List<LotView> lots,
            int open,
            String standing,
            List<ReaderView> instruments,
            @Schema(nullable = true) ActView guide) {}

    /**
     * @param coveredBy reference of the part above; empty when it lies free
     * @param circle whether what covers what goes round in a circle
     */
    record WorkTask(
            WorkOrder.Kind kind,
            String verb,
            String reference,
            String called,
            String job,
            PartRow.Group group,
            String groupLabel,
            String why,
            String coveredBy,
            boolean circle) {}

    /** @param undo what puts it right */
    record ForNowView(String entry, String part, String says, String undo, Instant at) {}

    record WayView(ForNow.Way id, String label) {}

    record WorkView(
            int revision,
            List<WorkTask> tasks,
            int minutes,
            List<String> parts,
            List<ForNowView> forNow,
            List<WayView> ways) {}

    static WorkView work(OpenSet set) {
        List<WorkOrder.Task> tasks = WorkOrder.of(set.file()).tasks();
        return new WorkView(
                set.revision(),
                tasks.stream()
                        .map(task -> new WorkTask(
                                task.kind(),
                                task.kind().verb(),
                                task.row().reference(),
                                task.row().called(),
                                task.row().job(),
                                task.row().group(),
                                task.row().group().label(),
                                task.row().because(),
                                task.coveredBy().orElse(""),
                                task.circle()))
                        .toList(),
                (int) Math.ceil(
                        tasks.stream().mapToDouble(WorkOrder.Task::minutes).sum()),
                PartsLedger.rows(set.file()).stream().map(PartRow::reference).toList(),
                ForNow.open(set.log()).stream()
                        .map(one -> new ForNowView(
                                one.id(),
                                one.fact().part(),
                                one.fact().sentence(),
                                one.fact().way().undo(),
                                one.at()))
                        .toList(),
                Arrays.stream(ForNow.Way.values())
                        .map(way -> new WayView(way, way.label()))
                        .toList());
    }

    static LedgerView ledger(OpenSet set) {
        List<PartRow> rows = PartsLedger.rows(set.file());
        return new LedgerView(
                set.revision(),
                set.stored().label().title(),
                set.danger(),
                set.liveChassis(),
                set.set().construction().label(),
                rows.stream().map(LedgerViews::row).toList(),
                PartsLedger.lots(set.file()).stream()
                        .map(l -> new LotView(l.kind(), l.drifted(), l.read(), l.all(), l.lot()))
                        .toList(),
                (int) rows.stream().filter(PartRow::open).count(),
                set.file().areas().stream()
                        .filter(area -> area.id().equals("parts"))
                        .map(area -> area.standing(set.file()))
                        .findFirst()
                        .orElse(""),
                set.instruments().stream()
                        .filter(one -> !one.instrument().retired()
                                && READ_PARTS.stream().anyMatch(one.instrument()::does))
                        .map(one -> new ReaderView(
                                one.id(),
                                one.instrument().name(),
                                one.instrument().abilities().stream()
                                        .filter(a -> READ_PARTS.contains(a.kind()))
                                        .map(a -> a.says())
                                        .filter(says -> !says.isEmpty())
                                        .findFirst()
                                        .orElse("")))
                        .toList(),
                Guide.of(set.file()).next().map(ActView::of).orElse(null));
    }

    static LedgerRow row(PartRow row) {
        boolean capacitor = row.kind() == PartRow.Kind.CAPACITOR || row.kind() == PartRow.Kind.ELECTROLYTIC;
        boolean limited = capacitor
                && row.kind() != PartRow.Kind.ELECTROLYTIC
                && row.place().leastOhms().isPresent()
                && row.place().leastOhms().getAsDouble() > 1;
        boolean leak = row.leakOhms().isPresent();
        boolean none = leak && Double.isInfinite(row.leakOhms().getAsDouble());
        String allowed = limited ? row.place().says() : "";
        return new LedgerRow(
                row.reference(),
                row.called(),
                row.job(),
                row.kind(),
                row.marked(),
                row.reading(),
                row.state().label(),
                mark(row),
                row.says(),
                row.consequence(),
                row.trial(),
                row.decision(),
                row.decision().label(),
                row.because(),
                row.group(),
                row.group().label(),
                limited ? row.place().leastOhms().getAsDouble() : null,
                leak && !none ? row.leakOhms().getAsDouble() : null,
                none,
                allowed,
                capacitor && row.place().workingVolts().isPresent()
                        ? print(row.place().workingVolts().getAsDouble(), Unit.VOLT)
                        : "",
                row.open(),
                row.grave(),
                row.at().orElse(null),
                row.restsOn());
    }

    private static Verdict mark(PartRow row) {
        if (row.state() == PartState.UNUSUAL) {
            return Verdict.UNUSUAL;
        }
        return row.word()
                .map(word -> switch (word) {
                    case SOUND -> Verdict.GOOD;
                    case DOUBTED -> Verdict.DOUBT;
                    case FAILED -> Verdict.BAD;
                })
                .orElse(row.state() == PartState.UNREAD ? Verdict.UNREAD : Verdict.NO_EXPECTATION);
    }

    private static String print(double value, Unit unit) {
        return Engineering.print(value, unit);
    }
}
