package org.umberdial.server.stock;

import java.time.Instant;
import java.util.Optional;

/**
 * Some of an item put in or taken out. Never changed: a slip is set right by another move.
 *
 * @param quantity above 0 put in, below 0 taken out
 * @param setId the set it was taken for or came out of
 */
public record StockMove(
        String id,
        String itemId,
        int quantity,
        Reason reason,
        Optional<String> setId,
        String note,
        Instant at,
        String author) {
    /** Why; its name is kept in the database and never changes. */
    public enum Reason {
        BOUGHT("bought"),
        SALVAGED("taken out of a set"),
        USED("used in a set"),
        SCRAPPED("scrapped"),
        COUNTED("counted");

        private final String label;

        Reason(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }
}
