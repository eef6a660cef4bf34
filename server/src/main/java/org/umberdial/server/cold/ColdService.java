package org.umberdial.server.cold;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.cold.ColdBench;
import org.umberdial.core.cold.ColdPlan;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.Equipment;
import org.umberdial.core.cold.Figures;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.cold.TransformerSize;
import org.umberdial.core.journal.Benched;
import org.umberdial.core.volts.NextAct;
import org.umberdial.server.cold.internal.ColdTables;
import org.umberdial.server.journal.JournalService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.readings.ReadingService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.ShopService;

/** The cold bench of each set, and the equipment it is tested with. */
@Service
public class ColdService {
    private final ColdTables tables;
    private final JournalService journals;
    private final ReadingService readings;
    private final ShopService shops;
    private final Clock clock;

    public ColdService(
            ColdTables tables, JournalService journals, ReadingService readings, ShopService shops, Clock clock) {
        this.tables = tables;
        this.journals = journals;
        this.readings = readings;
        this.shops = shops;
        this.clock = clock;
    }

    public ColdScene scene(String shopId, StoredSet set) {
        return new ColdScene(
                set.set(),
                set.arrival().supply(),
                shops.shop(shopId).policy(),
                readings.bench(shopId, set).mode());
    }

    public ColdBench bench(String shopId, StoredSet set, ColdScene scene) {
        return ColdBench.of(scene, journals.journal(shopId, set.id()));
    }

    public ColdPlan plan(String shopId, ColdScene scene, ColdBench bench) {
        return ColdPlan.of(scene, bench, kinds(shopId));
    }

    /** The next test of a set, for the shelf; empty for a set without parts. */
    public Optional<NextAct> next(String shopId, StoredSet set) {
        if (set.set().parts().isEmpty()) {
            return Optional.empty();
        }
        ColdScene scene = scene(shopId, set);
        return plan(shopId, scene, bench(shopId, set, scene))
                .next()
                .map(step ->
                        new NextAct("cold:" + step.row().id(), "", step.row().title(), step.reason(), false));
    }

    private Set<Equipment> kinds(String shopId) {
        Set<Equipment> kinds = EnumSet.noneOf(Equipment.class);
        equipment(shopId).stream().filter(item -> !item.retired()).forEach(item -> kinds.add(item.kind()));
        // Without an ohmmeter there is no cold bench, and any two clips and a resistor discharge.
        kinds.add(Equipment.OHMMETER);
        kinds.add(Equipment.DISCHARGE_TOOL);
        return kinds;
    }

    /**
     * Keeps a test in the set's journal.
     *
     * @throws org.umberdial.core.value.InvalidEntry for a figure that cannot be
     */
    @Transactional
    public void keep(
            Caller caller,
            StoredSet set,
            String id,
            TestRow row,
            Figures figures,
            String equipment,
            Optional<java.time.Instant> takenAt) {
        String said = ColdTests.judge(scene(caller.shopId(), set), row, figures).sentence();
        if (!equipment.isEmpty()
                && tables.equipment(caller.shopId()).stream()
                        .noneMatch(item -> item.id().equals(equipment))) {
            throw Problem.notFound("This instrument");
        }
        journals.keep(
                caller, set.id(), id, new Benched(row.id(), row.title(), figures.entered(), equipment, said), takenAt);
    }

    /** The shop's equipment; a new shop starts with what every digital meter has. */
    @Transactional
    public List<EquipmentItem> equipment(String shopId) {
        if (tables.equipment(shopId).isEmpty()) {
            for (Equipment kind :
                    List.of(Equipment.OHMMETER, Equipment.DIODE_TEST, Equipment.AC_METER, Equipment.DISCHARGE_TOOL)) {
                String id = UUID.nameUUIDFromBytes((shopId + kind).getBytes(StandardCharsets.UTF_8))
                        .toString();
                tables.add(
                        shopId,
                        new EquipmentItem(
                                id,
                                kind,
                                kind == Equipment.DISCHARGE_TOOL
                                        ? "Discharge resistor with clips"
                                        : "Digital meter, " + kind.label(),
                                false,
                                0,
                                Optional.empty()));
            }
        }
        return tables.equipment(shopId);
    }

    /** A short text that changes whenever the equipment does. */
    public String rules(String shopId) {
        List<EquipmentItem> items = equipment(shopId);
        return items.size() + "."
                + items.stream().mapToInt(EquipmentItem::version).sum();
    }

    @Transactional
    public void add(String shopId, EquipmentItem item) {
        tables.add(shopId, item);
    }

    @Transactional
    public void save(String shopId, EquipmentItem item) {
        require(shopId, item.id());
        if (!tables.update(shopId, item)) {
            throw Problem.changedMeanwhile("This instrument");
        }
    }

    private void require(String shopId, String id) {
        if (tables.equipment(shopId).stream().noneMatch(known -> known.id().equals(id))) {
            throw Problem.notFound("This instrument");
        }
    }

    /** Keeps a control reading with its instrument. */
    @Transactional
    public void check(Caller caller, String equipmentId, EquipmentItem.Check check) {
        require(caller.shopId(), equipmentId);
        tables.check(
                caller.shopId(),
                equipmentId,
                new EquipmentItem.Check(
                        check.id(),
                        check.part(),
                        check.unit(),
                        check.known(),
                        check.shown(),
                        clock.instant(),
                        caller.author()));
    }

    public List<EquipmentItem.Check> checks(String shopId, String equipmentId) {
        return tables.checks(shopId, equipmentId);
    }

    /** Whether an instrument was proven on a known-good part in the last twelve hours. */
    public boolean checkedLately(EquipmentItem item) {
        return item.lastCheck()
                .filter(check -> check.at().isAfter(clock.instant().minusSeconds(12 * 3600)))
                .isPresent();
    }

    public Map<String, TransformerSize.Candidate> stock(String shopId) {
        return tables.stock(shopId);
    }

    @Transactional
    public void stock(String shopId, String id, TransformerSize.Candidate candidate) {
        tables.stock(shopId, id, candidate);
    }

    @Transactional
    public void gone(String shopId, String id) {
        tables.gone(shopId, id);
    }
}
