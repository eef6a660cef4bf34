package org.umberdial.server.stock;

import java.util.Optional;
import org.umberdial.core.cold.TransformerSize;

/**
 * Something the shop keeps in stock.
 *
 * @param place drawer or shelf, in words; may be empty
 * @param transformer its figures, if it is one
 * @param onHand how many there are: all its moves added up, never below 0
 */
public record StockItem(
        String id, Kind kind, String name, String place, Optional<TransformerSize.Candidate> transformer, int onHand) {
    /** What it is; its name is kept in the database and never changes. */
    public enum Kind {
        TRANSFORMER("transformer"),
        TUBE("tube"),
        CAPACITOR("capacitor"),
        RESISTOR("resistor"),
        FUSE("fuse"),
        LAMP("lamp"),
        OTHER("other part");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }
}
