package org.umberdial.launcher;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileVisitResult;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.nio.file.SimpleFileVisitor;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.BasicFileAttributes;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Set;

/** Files and folders that only their user may read, written so that a cut leaves the old or the new, never half. */
final class OwnFiles {
    private static final Set<PosixFilePermission> FOLDER = PosixFilePermissions.fromString("rwx------");
    private static final Set<PosixFilePermission> FILE = PosixFilePermissions.fromString("rw-------");

    private OwnFiles() {}

    /** Makes a folder, and those above it, unless it is there; either way only its user may look into it. */
    static Path folder(Path folder) {
        try {
            Files.createDirectories(folder);
            Files.setPosixFilePermissions(folder, FOLDER);
            return folder;
        } catch (UnsupportedOperationException | java.nio.file.AccessDeniedException shared) {
            throw new Refused(
                    folder
                            + " cannot be made a folder of its user alone; choose a place on a disk of this "
                            + "machine that you own (UMBER_HOME).",
                    shared);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Puts a text in a file's place at once. */
    static void write(Path file, String text) {
        try {
            Path part = file.resolveSibling("." + file.getFileName() + ".part");
            Files.deleteIfExists(part);
            Files.createFile(part, PosixFilePermissions.asFileAttribute(FILE));
            try (FileChannel out = FileChannel.open(part, StandardOpenOption.WRITE)) {
                out.write(java.nio.ByteBuffer.wrap(text.getBytes(StandardCharsets.UTF_8)));
                out.force(true);
            }
            put(part, file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Moves a finished file to its place at once, whatever stood there. */
    static void put(Path part, Path file) throws IOException {
        Files.move(part, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        sync(file.toAbsolutePath().getParent());
    }

    static void lock(Path file) throws IOException {
        Files.setPosixFilePermissions(file, FILE);
    }

    /** Makes sure that what was renamed in a folder is on the disk. */
    static void sync(Path folder) throws IOException {
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true);
        }
    }

    /** Copies a folder with everything in it onto the disk. */
    static void copy(Path from, Path to) throws IOException {
        Files.walkFileTree(from, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult preVisitDirectory(Path folder, BasicFileAttributes attributes) {
                folder(to.resolve(from.relativize(folder)));
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                if (attributes.isRegularFile()) {
                    Path copy = to.resolve(from.relativize(file));
                    Files.copy(file, copy, StandardCopyOption.COPY_ATTRIBUTES);
                    try (FileChannel channel = FileChannel.open(copy, StandardOpenOption.WRITE)) {
                        channel.force(true);
                    }
                }
                return FileVisitResult.CONTINUE;
            }
        });
    }

    /** Bytes of all files in a folder. */
    static long size(Path folder) throws IOException {
        try (var files = Files.walk(folder)) {
            return files.filter(file -> Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS))
                    .mapToLong(OwnFiles::bytes)
                    .sum();
        }
    }

    /** Bytes that may still be written beside a file; Java's own file stores are not found inside a chroot. */
    static long free(Path folder) {
        return folder.toFile().getUsableSpace();
    }

    private static long bytes(Path file) {
        try {
            return Files.size(file);
        } catch (IOException gone) {
            return 0;
        }
    }

    /** Removes a folder with everything in it, following no link. Callers have made sure that it is ours. */
    static void remove(Path tree) throws IOException {
        if (!Files.exists(tree, LinkOption.NOFOLLOW_LINKS)) {
            return;
        }
        Files.walkFileTree(tree, new SimpleFileVisitor<>() {
            @Override
            public FileVisitResult visitFile(Path file, BasicFileAttributes attributes) throws IOException {
                Files.deleteIfExists(file);
                return FileVisitResult.CONTINUE;
            }

            @Override
            public FileVisitResult postVisitDirectory(Path folder, IOException failure) throws IOException {
                Files.deleteIfExists(folder);
                return FileVisitResult.CONTINUE;
            }
        });
    }
}
