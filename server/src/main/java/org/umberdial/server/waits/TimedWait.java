package org.umberdial.server.waits;

import java.time.Instant;

/**
 * Something of a set that is waited for until a time.
 *
 * @param id stable, so that a calendar knows it again
 * @param set title of the set
 * @param what what waits
 * @param says what to do then
 * @param until when
 * @param due whether that has come
 */
public record TimedWait(String id, String setId, String set, String what, String says, Instant until, boolean due) {}
