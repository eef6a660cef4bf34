package org.umberdial.server.sets;

import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Sha256;

/**
 * A short text that names a thing as it stood, so that a change can say what it was made from. It follows from the
 * thing itself: two that are the same have the same.
 */
public final class Seen {
    private static final int LENGTH = 16;

    private Seen() {}

    /** @param thing a record, or a list of records, whose text tells it from others */
    public static String of(Object thing) {
        return Sha256.of(String.valueOf(thing)).substring(0, LENGTH);
    }

    /**
     * Lets a change through only if it was made from what is there.
     *
     * @throws Problem when somebody else changed it since
     */
    static void require(String there, String seen, String what) {
        if (!there.equals(seen)) {
            throw Problem.changedMeanwhile(what);
        }
    }
}
