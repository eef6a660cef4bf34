package org.umberdial.server.cold.internal;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.umberdial.core.cold.ColdScene;
import org.umberdial.core.cold.ColdTests;
import org.umberdial.core.cold.TestRow;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;

/**
 * What was typed into a test's form, read as far as it can be.
 *
 * @param figures what could be read, in SI
 * @param faults sentences about what could not, by key
 */
record Entered(Figures figures, Map<String, String> faults) {
    private static final int MOST_WORDS = 300;

    /** Reads the cells of the form; a form may show further cells once earlier ones are read, so it is asked again. */
    static Entered of(ColdScene scene, TestRow row, Map<String, String> typed, DecimalSign sign) {
        Map<String, String> read = new LinkedHashMap<>();
        Map<String, String> faults = new LinkedHashMap<>();
        ValueReader values = new ValueReader(sign);
        int before;
        do {
            before = read.size() + faults.size();
            for (BenchForm.Cell cell :
                    cells(ColdTests.form(scene, row, new Figures(read))).values()) {
                String text = typed.getOrDefault(cell.key(), "").strip();
                if (!text.isEmpty() && !read.containsKey(cell.key()) && !faults.containsKey(cell.key())) {
                    try {
                        read.put(cell.key(), canonical(cell, text, values));
                    } catch (InvalidEntry refused) {
                        faults.put(cell.key(), refused.getMessage());
                    }
                }
            }
        } while (read.size() + faults.size() > before);
        return new Entered(new Figures(read), faults);
    }

    static Map<String, BenchForm.Cell> cells(BenchForm form) {
        Map<String, BenchForm.Cell> cells = new LinkedHashMap<>();
        form.blocks()
                .forEach(block ->
                        block.lines().forEach(line -> line.cells().forEach(cell -> cells.put(cell.key(), cell))));
        return cells;
    }

    private static String canonical(BenchForm.Cell cell, String text, ValueReader values) {
        return switch (cell.kind()) {
            case CHOICE ->
                cell.choices().stream()
                        .map(BenchForm.Choice::id)
                        .filter(text::equals)
                        .findFirst()
                        .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN,
                                "Choose one of: "
                                        + String.join(
                                                ", ",
                                                cell.choices().stream()
                                                        .map(BenchForm.Choice::label)
                                                        .toList())
                                        + "."));
            case WORDS -> {
                if (text.length() > MOST_WORDS) {
                    throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE, "At most " + MOST_WORDS + " letters fit here.");
                }
                yield text;
            }
            case NUMBER -> Double.toString(values.number(text));
            case FIGURE ->
                cell.unit() == Unit.OHM && Figures.saysOpen(text)
                        ? Figures.OPEN
                        : Double.toString(values.read(text, cell.unit()).value());
        };
    }

    /** The figures as one types them, for a form that is opened again. */
    static Map<String, String> typed(BenchForm form, Figures figures, DecimalSign sign) {
        Map<String, String> typed = new HashMap<>();
        Map<String, BenchForm.Cell> cells = cells(form);
        figures.entered().forEach((key, text) -> {
            BenchForm.Cell cell = cells.get(key);
            if (cell != null) {
                boolean number =
                        List.of(BenchForm.Kind.FIGURE, BenchForm.Kind.NUMBER).contains(cell.kind())
                                && !text.equals(Figures.OPEN);
                String shown = !number
                        ? text
                        : cell.kind() == BenchForm.Kind.NUMBER || cell.unit() == Unit.VOLT
                                ? java.math.BigDecimal.valueOf(Double.parseDouble(text))
                                        .stripTrailingZeros()
                                        .toPlainString()
                                : Engineering.exact(Double.parseDouble(text));
                typed.put(key, number && sign == DecimalSign.COMMA ? shown.replace('.', ',') : shown);
            }
        });
        return typed;
    }
}
