package org.umberdial.server.standing;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.umberdial.server.problem.Problem;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Room on the disk that the shop's data lies on, and what the launcher wrote down about faults it mended. */
@Service
public class StandingService {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Duration TOLD_FOR = Duration.ofDays(2);
    private static final long MEGABYTE = 1_000_000;

    /** What the launcher's words mean to people. */
    private static final Map<String, String> SENTENCES = Map.of(
            "ENDED_WITHOUT_WARNING",
                    "Umber Dial ended without warning and was started again. Everything shown as saved is "
                            + "here; check your last entry.",
            "DATABASE_STARTED_AGAIN",
                    "The database ended by itself and was started again. Everything shown as saved is here; "
                            + "check your last entry.",
            "APPLICATION_STARTED_AGAIN",
                    "The application ended by itself and was started again. Everything shown as saved is "
                            + "here; check your last entry.",
            "RESTORE_BROKEN_OFF",
                    "A restore was broken off. The shop is as it was before it; run the restore again at the machine.",
            "BACKUP_FAILED",
                    "The daily backup could not be written. Look at the free space on the machine, and make a "
                            + "backup by hand.");

    /** @param at when it happened; also what this event is told from others by */
    public record Event(Instant at, String sentence) {}

    private final Path home;
    private final long warned;
    private final long kept;
    private final Clock clock;

    StandingService(
            @Value("${umber.home}") Path home,
            @Value("${umber.space.warned-below-bytes}") long warned,
            @Value("${umber.space.kept-for-readings-bytes}") long kept,
            Clock clock) {
        this.home = home;
        this.warned = warned;
        this.kept = kept;
        this.clock = clock;
    }

    /** Bytes that may still be written; -1 where the disk does not say. */
    public long freeBytes() {
        Path there = home.toAbsolutePath();
        while (there != null && !Files.exists(there)) {
            there = there.getParent();
        }
        // Not by the file store, which is not found inside a chroot.
        long free = there == null ? 0 : there.toFile().getUsableSpace();
        return there != null && there.toFile().getTotalSpace() > 0 ? free : -1;
    }

    /** What to tell people of the room that is left; nothing while there is enough. */
    public Optional<String> warning() {
        long free = freeBytes();
        if (free < 0 || free >= warned) {
            return Optional.empty();
        }
        String first = "The disk is nearly full: " + free / MEGABYTE + " MB are left.";
        return Optional.of(
                free < kept
                        ? first
                                + " Photos and bundles are not taken any more, so that readings still fit. "
                                + "Free some space on the machine."
                        : first + " Free some space on the machine before it runs out; a photo takes about 1 MB.");
    }

    /**
     * Keeps the last of the room for readings.
     *
     * @throws Problem when a photo or bundle would take it
     */
    public void requireRoomFor(long bytes) {
        long free = freeBytes();
        if (free >= 0 && free - bytes < kept) {
            throw new Problem(
                    Problem.Kind.DISK_FULL,
                    "The disk is nearly full (" + free / MEGABYTE
                            + " MB left), so this file was not taken; the rest is kept for readings. Free "
                            + "some space on the machine, then send it again.");
        }
    }

    /** The last thing that went wrong and was put right, while it is news. */
    public Optional<Event> event() {
        try {
            JsonNode said = JSON.readTree(Files.readString(home.resolve("standing.json")));
            Instant at = Instant.parse(said.path("at").asString(""));
            String sentence = SENTENCES.get(said.path("kind").asString(""));
            return sentence == null || at.plus(TOLD_FOR).isBefore(clock.instant())
                    ? Optional.empty()
                    : Optional.of(new Event(at, sentence));
        } catch (IOException | JacksonException | java.time.format.DateTimeParseException nothing) {
            return Optional.empty();
        }
    }
}
