package org.umberdial.server.equipment;

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
import org.umberdial.core.cold.TransformerSize;
import org.umberdial.core.procedure.Equipment;
import org.umberdial.server.equipment.internal.EquipmentTables;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/** The equipment the shop tests with, and the transformers it has in stock. */
@Service
public class EquipmentService {
    private static final int CHECKED_LATELY_SECONDS = 12 * 3600;

    private final EquipmentTables tables;
    private final Clock clock;

    public EquipmentService(EquipmentTables tables, Clock clock) {
        this.tables = tables;
        this.clock = clock;
    }

    /** What can be measured with all of it. */
    public static Set<Equipment> kinds(List<EquipmentItem> items) {
        Set<Equipment> kinds = EnumSet.noneOf(Equipment.class);
        items.stream().filter(item -> !item.retired()).forEach(item -> kinds.add(item.kind()));
        // Without them there is no cold bench, and any two clips and a resistor discharge.
        kinds.add(Equipment.VOLTMETER);
        kinds.add(Equipment.OHMMETER);
        kinds.add(Equipment.DISCHARGE_TOOL);
        return kinds;
    }

    /** The shop's equipment; a new shop starts with what every digital meter has. */
    @Transactional
    public List<EquipmentItem> items(String shopId) {
        List<EquipmentItem> items = tables.equipment(shopId);
        if (!items.isEmpty()) {
            return items;
        }
        for (Equipment kind : List.of(
                Equipment.VOLTMETER,
                Equipment.OHMMETER,
                Equipment.DIODE_TEST,
                Equipment.AC_METER,
                Equipment.DISCHARGE_TOOL)) {
            String id = UUID.nameUUIDFromBytes((shopId + kind).getBytes(StandardCharsets.UTF_8))
                    .toString();
            String name = kind == Equipment.DISCHARGE_TOOL
                    ? "Discharge resistor with clips"
                    : "Digital meter, " + kind.label();
            tables.add(shopId, new EquipmentItem(id, kind, name, false, 0, Optional.empty()));
        }
        return tables.equipment(shopId);
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

    /** @throws Problem when the shop has no such instrument */
    public void require(String shopId, String id) {
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
                .filter(check -> check.at().isAfter(clock.instant().minusSeconds(CHECKED_LATELY_SECONDS)))
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
