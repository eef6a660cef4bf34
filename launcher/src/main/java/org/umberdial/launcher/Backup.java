package org.umberdial.launcher;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.security.DigestInputStream;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipFile;
import java.util.zip.ZipOutputStream;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * A whole shop in one file: a zip of one text a table, photographs in it, and a manifest that names each table's rows
 * and SHA-256. It is data: nothing in it is ever run.
 */
final class Backup {
    static final int FORMAT = 2;
    static final String PART_NAME = "\\.umber-backup-[0-9a-f-]{36}\\.part";
    private static final String MANIFEST = "manifest.json";
    private static final String SUM = "manifest.sha256";
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** @param tables version of the tables when it was made */
    record Manifest(int format, String madeAt, int tables, List<Contents.Sum> contents) {}

    private Backup() {}

    /**
     * Writes the shop as of one moment, also while it is used; either a whole file is there afterwards or what was
     * there before.
     */
    static Manifest save(Place place, Tables tables, Path file, Steps steps) {
        Path target = file.toAbsolutePath().normalize();
        if (Files.isDirectory(target)) {
            throw new Refused(
                    target + " is a folder; name a file in it, such as " + target.resolve("shop.umber") + ".");
        }
        Path part = target.resolveSibling(".umber-backup-" + UUID.randomUUID() + ".part");
        place.unfinished(part);
        try {
            steps.reached("before the backup's file is there");
            Files.createFile(part, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
            Manifest manifest;
            try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(part))) {
                manifest = write(tables, out);
            }
            try (FileChannel channel = FileChannel.open(part, StandardOpenOption.WRITE)) {
                channel.force(true);
            }
            steps.reached("before the backup has its name");
            OwnFiles.put(part, target);
            steps.reached("after the backup has its name");
            place.clearUnfinished();
            return manifest;
        } catch (java.nio.file.AccessDeniedException | java.nio.file.NoSuchFileException nowhere) {
            throw new Refused(target.getParent() + " cannot be written to; name a file in a folder of yours.", nowhere);
        } catch (IOException failed) {
            place.clearUnfinished();
            throw new Refused(
                    "The backup could not be written (" + failed.getMessage() + "); " + target + " was not touched.",
                    failed);
        } catch (SQLException failed) {
            place.clearUnfinished();
            throw new Refused(
                    "The database could not be read (" + failed.getMessage() + "); " + target + " was not touched.",
                    failed);
        }
    }

    private static Manifest write(Tables tables, OutputStream out) throws IOException, SQLException {
        int version = tables.state().version();
        List<Contents.Sum> sums = new ArrayList<>();
        try (Connection db = tables.connection();
                ZipOutputStream zip = new ZipOutputStream(out)) {
            try (Statement statement = db.createStatement()) {
                statement.execute("START TRANSACTION WITH CONSISTENT SNAPSHOT, READ ONLY");
            }
            for (Contents.Table table : Contents.tables(db)) {
                zip.putNextEntry(new ZipEntry(entry(table.name())));
                sums.add(Contents.write(db, table, zip));
                zip.closeEntry();
            }
            Manifest manifest = new Manifest(
                    FORMAT, Instant.now().truncatedTo(ChronoUnit.SECONDS).toString(), version, sums);
            byte[] text = JSON.writerWithDefaultPrettyPrinter().writeValueAsBytes(manifest);
            put(zip, MANIFEST, text);
            put(
                    zip,
                    SUM,
                    HexFormat.of().formatHex(Contents.sha256().digest(text)).getBytes(StandardCharsets.US_ASCII));
            return manifest;
        }
    }

    private static String entry(String table) {
        return "tables/" + table + ".jsonl";
    }

    private static void put(ZipOutputStream zip, String name, byte[] bytes) throws IOException {
        zip.putNextEntry(new ZipEntry(name));
        zip.write(bytes);
        zip.closeEntry();
    }

    /**
     * What a file says of itself, after its manifest's checksum was compared.
     *
     * @throws Refused when it is no backup, empty, cut off or damaged
     */
    static Manifest manifest(Path file) {
        if (!Files.isRegularFile(file)) {
            throw new Refused("There is no file " + file + ".");
        }
        try (ZipFile zip = new ZipFile(file.toFile())) {
            byte[] text = bytes(zip, MANIFEST);
            String sum = new String(bytes(zip, SUM), StandardCharsets.US_ASCII).strip();
            if (!sum.equals(HexFormat.of().formatHex(Contents.sha256().digest(text)))) {
                throw damaged(file);
            }
            Manifest manifest = JSON.readValue(text, Manifest.class);
            if (manifest.format() > FORMAT) {
                throw new Refused(file + " was made by a newer Umber Dial (format " + manifest.format()
                        + "); update this one, then restore.");
            }
            return manifest;
        } catch (IOException | JacksonException foreign) {
            throw new Refused(
                    file + " is no backup of Umber Dial, or it is cut off or damaged; nothing was changed.", foreign);
        }
    }

    private static byte[] bytes(ZipFile zip, String name) throws IOException {
        ZipEntry entry = zip.getEntry(name);
        if (entry == null || entry.getSize() > 10_000_000) {
            throw new IOException("no " + name);
        }
        try (InputStream in = zip.getInputStream(entry)) {
            return in.readAllBytes();
        }
    }

    private static Refused damaged(Path file) {
        return new Refused(file
                + " is damaged: its contents are not what its checksum says. Nothing was changed; "
                + "take an earlier backup.");
    }

    /** Puts a backup's rows into tables of its version that are empty, comparing each table's checksum on the way. */
    static void load(Path file, Manifest manifest, Connection db) throws IOException, SQLException {
        try (ZipFile zip = new ZipFile(file.toFile());
                Filler filler = new Filler(db, Contents.tables(db))) {
            for (Contents.Sum sum : manifest.contents()) {
                ZipEntry entry = zip.getEntry(entry(sum.name()));
                if (entry == null) {
                    throw damaged(file);
                }
                try (DigestInputStream in =
                        new DigestInputStream(new BufferedInputStream(zip.getInputStream(entry)), Contents.sha256())) {
                    RowReader.read(in, sum, filler);
                    if (!HexFormat.of()
                            .formatHex(in.getMessageDigest().digest())
                            .equals(sum.sha256())) {
                        throw damaged(file);
                    }
                }
            }
        } catch (JacksonException | java.util.zip.ZipException broken) {
            throw new Refused(damaged(file).getMessage(), broken);
        }
    }

    /** Whether the tables now hold what the manifest says, read back from the database. */
    static void compare(Path file, Manifest manifest, Connection db) throws IOException, SQLException {
        List<Contents.Sum> now = new ArrayList<>();
        for (Contents.Table table : Contents.tables(db)) {
            now.add(Contents.write(db, table, OutputStream.nullOutputStream()));
        }
        for (Contents.Sum sum : manifest.contents()) {
            if (!now.contains(sum)) {
                throw new Refused(
                        "The table " + sum.name() + " did not come back as " + file + " has it; nothing was changed.");
            }
        }
    }
}
