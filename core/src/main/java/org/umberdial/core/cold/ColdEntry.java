package org.umberdial.core.cold;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Cells;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.procedure.FormEntry;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;

/**
 * An entry made before a test was opened, {@code R7 231k}: the test that asks for it.
 *
 * @param row the test
 * @param line the row of its form
 * @param understood what goes where
 */
public record ColdEntry(TestRow row, BenchForm.Line line, FormEntry.Understood understood) {
    /**
     * Finds the one test that asks for this of this part. Volts that prove a capacitor empty are only taken when they
     * are written as volts: a bare number may have been ohms, and would clear a danger.
     *
     * @throws InvalidEntry when no test asks for it, or more than one could be meant
     */
    public static ColdEntry find(ColdScene scene, ColdBench bench, ColdPlan plan, String typed) {
        List<ColdEntry> found = new ArrayList<>();
        Optional<InvalidEntry> refused = Optional.empty();
        for (ColdPlan.Step step : plan.steps()) {
            Figures figures =
                    bench.last(step.row().id()).map(ColdBench.Done::figures).orElse(new Figures(Map.of()));
            BenchForm form = ColdTests.form(scene, step.row(), figures);
            try {
                FormEntry.Understood understood = FormEntry.read(form, typed, "");
                line(form, understood)
                        .filter(line -> !line.subject().isEmpty() && fits(step.row(), line, understood))
                        .ifPresent(line -> found.add(new ColdEntry(step.row(), line, understood)));
            } catch (InvalidEntry wrong) {
                if (wrong.code() != InvalidEntry.Code.UNKNOWN) {
                    refused = refused.or(() -> Optional.of(wrong));
                }
            }
        }
        if (found.isEmpty()) {
            String first = typed.strip().replaceAll("\\s.*", "");
            boolean unknown = FormEntry.isReference(first)
                    && scene.set().part(first).isEmpty()
                    && scene.set().part("X" + first).isEmpty();
            throw refused.orElseGet(() -> new InvalidEntry(
                    InvalidEntry.Code.UNKNOWN,
                    (unknown ? "There is no part " + first + " in this set." : "No test here asks for that.")
                            + " Begin with a part of this set, as in R7 231k; write V behind volts."));
        }
        if (found.size() > 1 && !found.get(0).understood.placed().isEmpty()) {
            throw new InvalidEntry(
                    InvalidEntry.Code.AMBIGUOUS,
                    found.get(0).line.label() + " is read in more than one test: "
                            + String.join(
                                    ", ", found.stream().map(e -> e.row.title()).toList())
                            + ". Open the one you mean, or write the unit.");
        }
        return found.get(0);
    }

    /** What the test shows when this is added to what was kept of it. */
    public Map<String, String> added(Map<String, String> kept) {
        Map<String, String> all = new LinkedHashMap<>(kept);
        understood.placed().forEach(placed -> all.put(placed.key(), placed.text()));
        return all;
    }

    private static Optional<BenchForm.Line> line(BenchForm form, FormEntry.Understood understood) {
        String key = understood.placed().isEmpty()
                ? understood.to()
                : understood.placed().get(0).key();
        return form.blocks().stream()
                .flatMap(block -> block.lines().stream())
                .filter(line ->
                        line.cells().stream().anyMatch(cell -> cell.key().equals(key)))
                .findFirst();
    }

    private static boolean fits(TestRow row, BenchForm.Line line, FormEntry.Understood understood) {
        if (understood.placed().isEmpty()) {
            return true;
        }
        FormEntry.Placed first = understood.placed().get(0);
        BenchForm.Cell cell = line.cells().stream()
                .filter(c -> c.key().equals(first.key()))
                .findFirst()
                .orElseThrow();
        if (cell.kind() != BenchForm.Kind.FIGURE) {
            return cell.kind() != BenchForm.Kind.WORDS;
        }
        Optional<Unit> written = written(first.text());
        return written.isPresent() ? written.get() == cell.unit() : !row.id().equals(Cells.DISCHARGE);
    }

    /** The unit somebody wrote; {@code 231k} are ohms, as in every resistor's value. */
    private static Optional<Unit> written(String text) {
        if (Figures.saysOpen(text) || text.matches("(?i).*(Ω|ohms?)$|.*[0-9.](k|meg|M|R)$")) {
            return Optional.of(Unit.OHM);
        }
        return text.matches("(?i).*(V|volts?)$")
                ? Optional.of(Unit.VOLT)
                : text.matches("(?i).*[0-9 mµu](A|amps?)$") ? Optional.of(Unit.AMPERE) : Optional.empty();
    }
}
