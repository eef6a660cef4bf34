package org.umberdial.server.problem;

import java.sql.SQLException;
import java.util.Optional;
import java.util.Set;

/** Failures that are not ours and pass: the database is away for a moment, or its disk is full. */
public final class DatabaseFault {
    /** SQL standard: class 08 is about the connection. */
    private static final String CONNECTION = "08";

    /** MariaDB's error numbers: disk full, table full, and writing a file failed. */
    private static final Set<Integer> NO_ROOM = Set.of(1021, 1114, 3, 1026);

    private static final int HANDLER_ERROR = 1030;
    private static final int SHUTTING_DOWN = 1053;
    private static final int AWAY_SECONDS = 2;

    private DatabaseFault() {}

    /** What to tell people of a failure, if it is one of these. */
    public static Optional<Problem> of(Throwable failure) {
        for (Throwable cause = failure; cause != null && cause != cause.getCause(); cause = cause.getCause()) {
            if (cause instanceof SQLException sql) {
                if (noRoom(sql)) {
                    return Optional.of(new Problem(
                            Problem.Kind.DISK_FULL,
                            "The disk is full, so this was not kept. What you entered is still here: "
                                    + "free some space on the machine, then save again."));
                }
                if (away(sql)) {
                    return Optional.of(new Problem(
                            Problem.Kind.DATABASE_AWAY,
                            "The database is being started again. What you type waits here; it takes a few seconds.",
                            AWAY_SECONDS));
                }
            }
        }
        return Optional.empty();
    }

    private static boolean noRoom(SQLException sql) {
        boolean named = String.valueOf(sql.getMessage()).contains("No space left on device");
        return NO_ROOM.contains(sql.getErrorCode())
                || named
                || sql.getErrorCode() == HANDLER_ERROR
                        && String.valueOf(sql.getMessage()).contains("28");
    }

    private static boolean away(SQLException sql) {
        String state = String.valueOf(sql.getSQLState());
        return state.startsWith(CONNECTION)
                || sql instanceof java.sql.SQLTransientConnectionException
                || sql.getErrorCode() == SHUTTING_DOWN;
    }
}
