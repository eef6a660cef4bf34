package org.umberdial.launcher;

import java.time.Instant;
import tools.jackson.databind.json.JsonMapper;

/** What went wrong lately and was put right, for the people at the screens; the application reads it. */
final class Standing {
    enum Kind {
        ENDED_WITHOUT_WARNING,
        DATABASE_STARTED_AGAIN,
        APPLICATION_STARTED_AGAIN,
        RESTORE_BROKEN_OFF,
        BACKUP_FAILED
    }

    private record Event(Instant at, Kind kind) {}

    private Standing() {}

    static void happened(Place place, Kind kind) {
        OwnFiles.write(
                place.folder().resolve("standing.json"),
                JsonMapper.builder().build().writeValueAsString(new Event(Instant.now(), kind)));
    }
}
