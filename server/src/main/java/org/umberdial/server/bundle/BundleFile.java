package org.umberdial.server.bundle;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Optional;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import org.umberdial.server.problem.Problem;

/**
 * A bundle on the disk, of which one entry at a time is in memory. Entries are never written anywhere, so a name with a
 * path in it leads nowhere; what they unpack to is counted as it is read, whatever the file says of it.
 */
final class BundleFile implements AutoCloseable {
    private static final int MOST_ENTRIES = 2_000;
    private static final long MOST_BYTES = 400_000_000;
    private static final int LARGEST_TEXT = 32_000_000;
    private static final int LARGEST_PICTURE = 64_000_000;

    private final Path file;
    private final ZipFile zip;
    private long left = MOST_BYTES;

    /** @throws Problem with a sentence when the file is no zip */
    BundleFile(Path file) {
        this.file = file;
        try {
            this.zip = Files.size(file) == 0 ? null : new ZipFile(file.toFile());
        } catch (IOException | IllegalArgumentException broken) {
            throw startsAsZip(file) ? BundleService.refuse("The zip is broken; copy it again.") : noZip();
        }
        if (zip == null || zip.size() == 0) {
            throw noZip();
        }
        if (zip.size() > MOST_ENTRIES) {
            close();
            throw tooLarge();
        }
    }

    private static boolean startsAsZip(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            byte[] head = in.readNBytes(4);
            return head.length == 4 && head[0] == 'P' && head[1] == 'K' && head[2] < 8 && head[3] < 9;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Problem noZip() {
        return BundleService.refuse("This is no zip file, or an empty one; a set bundle is a zip with set.json in it.");
    }

    private static Problem tooLarge() {
        return new Problem(
                Problem.Kind.TOO_LARGE,
                "The bundle unpacks to more than " + MOST_BYTES / 1_000_000 + " MB or " + MOST_ENTRIES
                        + " files, which no set needs.");
    }

    /** A text of the bundle. */
    Optional<byte[]> small(String name) {
        return bytes(name, LARGEST_TEXT);
    }

    /** A picture of the bundle. */
    Optional<byte[]> large(String name) {
        return bytes(name, LARGEST_PICTURE);
    }

    private Optional<byte[]> bytes(String name, int largest) {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null) {
            return Optional.empty();
        }
        try (InputStream in = zip.getInputStream(entry)) {
            byte[] bytes = in.readNBytes((int) Math.min(largest, left) + 1);
            left -= bytes.length;
            if (left < 0 || bytes.length > largest) {
                throw tooLarge();
            }
            return Optional.of(bytes);
        } catch (IOException broken) {
            throw BundleService.refuse("The zip is broken; copy it again.");
        }
    }

    /** Follows from the file's bytes. */
    String id() {
        try (DigestInputStream in =
                new DigestInputStream(Files.newInputStream(file), MessageDigest.getInstance("MD5"))) {
            in.transferTo(java.io.OutputStream.nullOutputStream());
            // As UUID.nameUUIDFromBytes makes it, which bundles without an id of their own were once known by.
            byte[] hash = in.getMessageDigest().digest();
            hash[6] = (byte) (hash[6] & 0x0f | 0x30);
            hash[8] = (byte) (hash[8] & 0x3f | 0x80);
            java.nio.ByteBuffer bits = java.nio.ByteBuffer.wrap(hash);
            return new UUID(bits.getLong(), bits.getLong()).toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    @Override
    public void close() {
        try {
            zip.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
