package org.umberdial.server.power;

/**
 * Something that happened in a run.
 *
 * @param number from 0 on, without a gap
 * @param seconds since it began
 * @param kind {@code sample}, {@code step}, {@code alarm}, {@code stop}, {@code empty}, {@code note}
 * @param body of a sample its figures apart by commas, empty for what was not read, behind {@code h:} or {@code i:} for
 *     by hand or by instruments; of an alarm JSON; else words
 */
public record RunEntry(int number, double seconds, String kind, String body) {
    public static final String SAMPLE = "sample";
    public static final String STEP = "step";
    public static final String ALARM = "alarm";
    public static final String STOP = "stop";
    public static final String EMPTY = "empty";
    public static final String NOTE = "note";
}
