package org.umberdial.launcher;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * The folder of one shop. {@code current} names the generation in use, {@code previous} the one before the last change
 * until a start after it was healthy; both are written at once, so a reader finds one state or the other.
 */
public final class Place {
    private static final String CURRENT = "current";
    private static final String PREVIOUS = "previous";
    private static final String RESTORING = "restoring";
    private static final String CHANGING = "changing";
    private static final String UNFINISHED = "unfinished";
    private static final String LEGACY = "db";

    private final Path folder;

    public Place(Path folder) {
        this.folder = folder.toAbsolutePath().normalize();
    }

    /** Makes the folder, for its user alone. */
    public Place make() {
        OwnFiles.folder(folder);
        OwnFiles.folder(folder.resolve("backups"));
        return this;
    }

    public Path folder() {
        return folder;
    }

    public Path backups() {
        return folder.resolve("backups");
    }

    Path serverLog() {
        return folder.resolve("server.log");
    }

    /** Whether there is a shop, whole or not. */
    public boolean exists() {
        return current().isPresent() || restoring().isPresent();
    }

    /** The generation in use; one that an earlier version made when nothing says otherwise. */
    public Optional<Generation> current() {
        return named(CURRENT)
                .or(() -> Optional.of(new Generation(folder.resolve(LEGACY))).filter(Generation::there));
    }

    /** The generation before the last change, while it is kept. */
    public Optional<Generation> previous() {
        return named(PREVIOUS);
    }

    private Optional<Generation> named(String pointer) {
        return read(pointer)
                .filter(name -> Generation.NAME.matcher(name).matches())
                .map(name -> new Generation(folder.resolve(name)))
                .filter(Generation::there);
    }

    /**
     * The file a restore was begun from and not ended; the shop it was to become is not there or is still the old one.
     */
    public Optional<String> restoring() {
        return read(RESTORING);
    }

    void restoring(String file) {
        OwnFiles.write(folder.resolve(RESTORING), file);
    }

    /** The backup made before a change of tables that has not proven healthy yet. */
    Optional<String> changing() {
        return read(CHANGING);
    }

    void changing(String backup) {
        OwnFiles.write(folder.resolve(CHANGING), backup);
    }

    void restored() {
        forget(RESTORING);
    }

    /** A generation nobody uses, to be filled; it becomes the shop by {@link #use}. */
    Generation fresh() {
        int number = generations().stream().mapToInt(Generation::number).max().orElse(0) + 1;
        Generation next = new Generation(folder.resolve(String.format("%s-%04d", LEGACY, number)));
        next.mark();
        return next;
    }

    /** Makes a finished generation the shop; the one so far is kept until the new one has proven healthy. */
    void use(Generation next, Steps steps) {
        steps.reached("before the old generation is written down");
        current().ifPresent(was -> OwnFiles.write(folder.resolve(PREVIOUS), was.name()));
        steps.reached("before the new generation is the shop");
        OwnFiles.write(folder.resolve(CURRENT), next.name());
        steps.reached("after the new generation is the shop");
    }

    /** Goes back to the generation before the last change; the one left behind is kept in its stead. */
    void goBack() {
        Generation back = previous().orElseThrow(() -> new Refused("There is no earlier state to go back to."));
        use(back, Steps.NONE);
        forget(CHANGING);
    }

    /** Keeps a generation that cannot be used, under a name that nothing ever clears. */
    Path setAside(Generation broken) {
        Path aside = folder.resolve("set-aside-" + broken.name() + "-" + System.currentTimeMillis());
        try {
            Files.move(broken.folder(), aside);
            OwnFiles.sync(folder);
            return aside;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The shop has started and answers: what was kept for the case that it would not is no longer needed. */
    void healthy() {
        forget(PREVIOUS);
        forget(CHANGING);
        clearStrays();
    }

    /** Removes generations that nothing names: changes that were broken off, or what was kept long enough. */
    void clearStrays() {
        List<String> named = Stream.concat(current().stream(), previous().stream())
                .map(Generation::name)
                .toList();
        for (Generation stray : generations()) {
            if (!named.contains(stray.name())) {
                remove(stray);
            }
        }
        clearUnfinished();
    }

    private void remove(Generation stray) {
        try {
            if (stray.isOurs(folder)) {
                OwnFiles.remove(stray.folder());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Generations there are, in use or not, the oldest first. */
    List<Generation> generations() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (Stream<Path> entries = Files.list(folder)) {
            return entries.filter(entry -> Generation.NAME
                                    .matcher(entry.getFileName().toString())
                                    .matches()
                            && Files.isDirectory(entry))
                    .map(Generation::new)
                    .sorted(Comparator.comparing(Generation::number))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Remembers a file that is being written elsewhere, so that a cut leaves nothing behind for long. */
    void unfinished(Path part) {
        OwnFiles.write(folder.resolve(UNFINISHED), part.toAbsolutePath().toString());
    }

    void clearUnfinished() {
        read(UNFINISHED)
                .map(Path::of)
                .filter(part -> part.getFileName().toString().matches(Backup.PART_NAME))
                .ifPresent(part -> {
                    try {
                        Files.deleteIfExists(part);
                    } catch (IOException stays) {
                        // Not ours to insist: the folder may be gone or read-only by now.
                    }
                });
        forget(UNFINISHED);
    }

    private Optional<String> read(String name) {
        try {
            return Optional.of(Files.readString(folder.resolve(name)).strip()).filter(text -> !text.isEmpty());
        } catch (IOException absent) {
            return Optional.empty();
        }
    }

    private void forget(String name) {
        try {
            Files.deleteIfExists(folder.resolve(name));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Takes the place for this process alone, until it is closed or the process ends however it ends.
     *
     * @throws Refused when another process has it
     */
    public Held hold() {
        make();
        try {
            FileChannel channel =
                    FileChannel.open(folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            OwnFiles.lock(folder.resolve("lock"));
            FileLock lock;
            try {
                lock = channel.tryLock();
            } catch (OverlappingFileLockException here) {
                lock = null;
            }
            if (lock == null) {
                channel.close();
                throw new Refused("Umber Dial is running here already (" + folder + "); ./umber stop ends it.");
            }
            return new Held(channel);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The place is this process's alone while this is open. */
    public record Held(FileChannel channel) implements AutoCloseable {
        @Override
        public void close() {
            try {
                channel.close();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }
}
