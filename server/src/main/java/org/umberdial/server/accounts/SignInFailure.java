package org.umberdial.server.accounts;

import java.time.Instant;

/**
 * Failed tries to come in by one name from one address within an hour.
 *
 * @param wrong were looked at and were wrong
 * @param shutOut came too soon after others and were not looked at
 */
public record SignInFailure(String name, String address, Instant since, Instant lastAt, int wrong, int shutOut) {}
