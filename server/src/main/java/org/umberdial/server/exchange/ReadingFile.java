package org.umberdial.server.exchange;

import java.util.List;

/**
 * What came of an imported file.
 *
 * @param added rows that are new
 * @param known rows that were here already
 * @param refused rows that could not be taken, each with its line number and reason
 * @param notes what the reader should know about how the file was read
 */
public record ReadingFile(int added, int known, List<BadLine> refused, List<String> notes) {
    /** @param line from 1, the header being line 1 */
    public record BadLine(int line, String reason) {}
}
