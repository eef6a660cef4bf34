package org.umberdial.server.shopping;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Optional;

/**
 * Some of an item, ordered.
 *
 * @param open how many have not come and are still awaited
 * @param price of one, in the shop's money; empty when nobody said
 */
public record PartOrder(
        String id, String item, int quantity, int open, Optional<BigDecimal> price, Instant orderedAt, String author) {}
