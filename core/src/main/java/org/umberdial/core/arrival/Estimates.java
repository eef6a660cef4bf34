package org.umberdial.core.arrival;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.Map;
import org.umberdial.core.value.CsvTable;

/** Usual bench time and price of a job. The shipped figures are judgement; a shop corrects them per set. */
final class Estimates {
    /**
     * One job.
     *
     * @param hours at the bench, for one
     * @param price of its parts, for one, in the shop's money
     */
    record Estimate(String job, String label, double hours, BigDecimal price) {}

    private static final Map<String, Estimate> ALL = load();

    private Estimates() {}

    static Estimate of(String job) {
        return ALL.get(job);
    }

    private static Map<String, Estimate> load() {
        Map<String, Estimate> all = new LinkedHashMap<>();
        CsvTable.rows(Estimates.class, "estimates.csv")
                .forEach(row -> all.put(
                        row.get("job"),
                        new Estimate(
                                row.get("job"),
                                row.get("label"),
                                Double.parseDouble(row.get("hours")),
                                new BigDecimal(row.get("price")))));
        return all;
    }
}
