package org.umberdial.server.shop;

import org.umberdial.core.reading.Meter;

/**
 * A voltmeter of the shop.
 *
 * @param accuracy as a fraction of the reading
 * @param retired no longer offered; readings taken with it stay as they are
 */
public record Instrument(String id, String name, Meter meter, double accuracy, boolean retired, int version) {}
