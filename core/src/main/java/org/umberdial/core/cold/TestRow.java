package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Strength;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.value.CsvTable;

/**
 * A test as the shipped table has it.
 *
 * @param path whether one reading covers all it proves; else each part is read by itself
 * @param judge {@code tool}, {@code ohms} against a part's value, or {@code check} by eye, ear or another instrument
 * @param setup steps
 * @param passes what a pass looks like
 * @param proves roles with the aspect proven
 * @param leaves what it does not prove
 * @param minutes at the bench for the whole of it
 * @param needs instruments, all of them
 * @param strength how much its figures can bear
 * @param after id of the test that comes first, empty for none
 */
public record TestRow(
        String id,
        String title,
        boolean path,
        String judge,
        List<String> setup,
        String passes,
        List<Proves> proves,
        String leaves,
        double minutes,
        Set<Equipment> needs,
        String after,
        Strength strength) {
    /** One aspect of every part with a role. */
    public record Proves(Role role, Aspect aspect) {}

    private static final List<TestRow> ALL = CsvTable.rows(TestRow.class, "cold-tests.csv").stream()
            .map(TestRow::row)
            .toList();

    /** Every test that ships. */
    public static List<TestRow> all() {
        return ALL;
    }

    public static Optional<TestRow> of(String id) {
        return ALL.stream().filter(row -> row.id.equals(id)).findFirst();
    }

    private static TestRow row(Map<String, String> cells) {
        List<Proves> aspects = new ArrayList<>();
        for (String word : cells.get("proves").split("\\|")) {
            if (!word.isBlank()) {
                int colon = word.indexOf(':');
                aspects.add(new Proves(
                        Role.valueOf(word.substring(0, colon).strip()),
                        Aspect.of(word.substring(colon + 1).strip())));
            }
        }
        Set<Equipment> needs = EnumSet.noneOf(Equipment.class);
        for (String word : cells.get("needs").split("\\+")) {
            needs.add(Equipment.valueOf(word.strip()));
        }
        return new TestRow(
                cells.get("id"),
                cells.get("title"),
                cells.get("covers").equals("path"),
                cells.get("judge"),
                List.of(cells.get("setup").split("\\|")),
                cells.get("passes"),
                List.copyOf(aspects),
                cells.get("leaves"),
                Double.parseDouble(cells.get("minutes")),
                needs,
                cells.get("after"),
                Strength.valueOf(cells.get("strength")));
    }

    /** Whether it reads ohms, which a charge falsifies. */
    public boolean readsOhms() {
        return needs.contains(Equipment.OHMMETER) && !id.equals("discharge");
    }
}
