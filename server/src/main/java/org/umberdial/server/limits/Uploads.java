package org.umberdial.server.limits;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.time.Instant;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.standing.StandingService;

/** Takes files in, onto the disk and not into memory, a few at once, and none that trickle in for hours. */
@Component
public class Uploads {
    private static final Duration LONGEST_UPLOAD = Duration.ofHours(4);
    private static final long MEGABYTE = 1_000_000;
    private static final long NANOS = 1_000_000_000L;
    /** A phone at the edge of the shop's network sends more. */
    private static final long LEAST_BYTES_A_SECOND = 16_000;

    private static final long SECONDS_OF_GRACE = 20;
    /** What is too large is read a while all the same, so that the sentence about it arrives. */
    private static final long READ_OUT_FACTOR = 4;

    private final Path folder;
    private final StandingService standing;
    private final Slots slots = new Slots(16, 5);

    Uploads(@Value("${umber.home}") Path home, StandingService standing) {
        this.folder = home.toAbsolutePath().resolve("uploads");
        this.standing = standing;
        clear();
    }

    /** What a process that was killed left behind; another one may be at work beside this. */
    private void clear() {
        try {
            Files.createDirectories(
                    folder, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rwx------")));
            try (Stream<Path> files = Files.list(folder)) {
                files.filter(file -> file.getFileName().toString().matches("(in|out)[0-9]+\\.part"))
                        .filter(Uploads::isOld)
                        .forEach(Uploads::remove);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static boolean isOld(Path file) {
        try {
            return Files.getLastModifiedTime(file)
                    .toInstant()
                    .isBefore(Instant.now().minus(LONGEST_UPLOAD));
        } catch (IOException gone) {
            return false;
        }
    }

    private static void remove(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException stays) {
            // It is ours alone and goes with the next start.
        }
    }

    /** A file for something that goes out; whoever asks for it removes it. */
    public Path out() {
        return part("out");
    }

    private Path part(String what) {
        try {
            return Files.createTempFile(
                    folder,
                    what,
                    ".part",
                    PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /**
     * Takes a request's file in and hands it on; afterwards it is gone.
     *
     * @param largest bytes
     * @param what as a sentence calls it, {@code "The file"}
     * @throws Problem when it is too large, cut off, trickles, or there is no room for it
     */
    public <T> T take(Caller caller, HttpServletRequest request, long largest, String what, Function<Path, T> use) {
        long said = request.getContentLengthLong();
        String sender =
                caller.shopId() + caller.accountId() + (caller.accountId().isEmpty() ? request.getRemoteAddr() : "");
        if (!slots.take(sender)) {
            throw new Problem(
                    Problem.Kind.TOO_BUSY,
                    "Several files are being taken in already; this one goes in when they are done.",
                    5);
        }
        try {
            if (said <= largest) {
                standing.requireRoomFor(Math.max(said, 0));
            }
            Path file = part("in");
            try {
                store(request, file, largest, what);
                return use.apply(file);
            } finally {
                remove(file);
            }
        } finally {
            slots.give(sender);
        }
    }

    private static void store(HttpServletRequest request, Path file, long largest, String what) {
        long said = request.getContentLengthLong();
        long size = 0;
        long start = System.nanoTime();
        byte[] part = new byte[1 << 16];
        try (InputStream in = request.getInputStream();
                OutputStream out = Files.newOutputStream(file)) {
            for (int n = in.read(part); n >= 0; n = in.read(part)) {
                size += n;
                if (size <= largest && said <= largest) {
                    out.write(part, 0, n);
                } else if (size > largest * READ_OUT_FACTOR) {
                    break;
                }
                long seconds = (System.nanoTime() - start) / NANOS;
                if (seconds > SECONDS_OF_GRACE && size < seconds * LEAST_BYTES_A_SECOND) {
                    throw new Problem(
                            Problem.Kind.TOO_SLOW,
                            what
                                    + " arrives too slowly and was not kept; come nearer to the network, then "
                                    + "send it again.");
                }
            }
        } catch (IOException brokenOff) {
            if (String.valueOf(brokenOff.getMessage()).contains("No space left")) {
                throw new Problem(
                        Problem.Kind.DISK_FULL,
                        "The disk is full, so this file was not kept. Free some space on the machine, then "
                                + "send it again.");
            }
            throw cutOff();
        }
        if (Math.max(size, said) > largest) {
            throw new Problem(
                    Problem.Kind.TOO_LARGE,
                    what + " has " + Math.max(size, said) / MEGABYTE + " MB; up to " + largest / MEGABYTE
                            + " MB are taken.");
        }
        if (said >= 0 && size < said) {
            throw cutOff();
        }
    }

    private static Problem cutOff() {
        return new Problem(
                Problem.Kind.UNREADABLE, "The upload was cut off half way and nothing of it was kept; send it again.");
    }
}
