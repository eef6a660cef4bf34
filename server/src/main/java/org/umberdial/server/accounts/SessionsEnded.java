package org.umberdial.server.accounts;

/** Sessions were ended just now: what belongs to them ends with them, and not at the next look. */
public record SessionsEnded() {}
