package org.umberdial.launcher;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/** The backups a place makes by itself. Old ones are let go only while the shop is healthy. */
final class Backups {
    static final String DAILY = "daily";
    static final String BEFORE = "before";
    /** Of a shop that a recovery put another in the place of. */
    static final String REPLACED = "replaced";

    private static final int KEPT = 14;
    private static final Pattern NAME = Pattern.compile("([a-z]+(?:-[0-9]+)?)-([0-9]{8}T[0-9]{6}Z)\\.(?:umber|gz)");
    private static final DateTimeFormatter STAMP =
            DateTimeFormatter.ofPattern("uuuuMMdd'T'HHmmss'Z'").withZone(ZoneOffset.UTC);

    private final Path folder;

    Backups(Place place) {
        this.folder = place.backups();
    }

    Path next(String kind, Instant now) {
        return folder.resolve(kind + "-" + STAMP.format(now) + ".umber");
    }

    /** All there are, the newest first. */
    List<Path> all() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(
                            file -> NAME.matcher(file.getFileName().toString()).matches())
                    .sorted(Comparator.comparing(Backups::stamp).reversed())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String stamp(Path file) {
        return group(file, 2);
    }

    private static String kind(Path file) {
        return group(file, 1);
    }

    private static String group(Path file, int group) {
        Matcher name = NAME.matcher(file.getFileName().toString());
        return name.matches() ? name.group(group) : "";
    }

    /** Room one more backup may take, by the last one's size; the whole of the tables' when there is none yet. */
    long room(Generation generation) throws IOException {
        Optional<Path> last = all().stream().findFirst();
        return last.isPresent() ? 2 * Files.size(last.get()) : OwnFiles.size(generation.folder());
    }

    /** Whether the latest daily one is a day old, or stamped ahead by a clock that has been set back since. */
    boolean dailyIsDue(Instant now) {
        Optional<Instant> last = all().stream()
                .filter(file -> kind(file).equals(DAILY))
                .findFirst()
                .map(file -> STAMP.parse(stamp(file), Instant::from));
        return last.isEmpty()
                || last.get().plus(Duration.ofDays(1)).isBefore(now)
                || last.get().isAfter(now.plus(Duration.ofHours(1)));
    }

    /** Lets the oldest of a kind go. */
    void letGo(String kind) {
        all().stream().filter(file -> kind(file).equals(kind)).skip(KEPT).forEach(file -> {
            try {
                Files.deleteIfExists(file);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        });
    }

    void letGoOfOld() {
        all().stream().map(Backups::kind).distinct().forEach(this::letGo);
    }
}
