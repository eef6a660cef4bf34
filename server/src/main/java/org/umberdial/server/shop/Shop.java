package org.umberdial.server.shop;

import java.time.ZoneId;
import org.umberdial.core.policy.HousePolicy;

/** A shop with its house policy. */
public record Shop(String id, String name, ZoneId timeZone, HousePolicy policy, int version) {}
