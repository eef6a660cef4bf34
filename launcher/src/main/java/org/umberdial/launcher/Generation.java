package org.umberdial.launcher;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.Path;
import java.util.regex.Pattern;

/**
 * The tables of a shop as one state of them: a whole MariaDB data folder inside the shop's place. {@code db} is what
 * earlier versions made; since then they are numbered.
 */
public record Generation(Path folder) {
    static final Pattern NAME = Pattern.compile("db(-[0-9]{4})?");
    private static final String MARK = "generation";

    public String name() {
        return folder.getFileName().toString();
    }

    int number() {
        return name().length() > 3 ? Integer.parseInt(name().substring(3)) : 0;
    }

    Database database() {
        return new Database(folder, Access.SCHEMA);
    }

    void mark() {
        OwnFiles.folder(folder);
        OwnFiles.write(folder.resolve(MARK), "Tables of an Umber Dial shop. Remove nothing here by hand.\n");
    }

    boolean there() {
        return database().installed();
    }

    /** Whether it is a folder we made, by name, place and what is in it: nothing else is ever removed. */
    boolean isOurs(Path place) throws IOException {
        return NAME.matcher(name()).matches()
                && Files.isDirectory(folder, LinkOption.NOFOLLOW_LINKS)
                && folder.toRealPath().getParent().equals(place.toRealPath())
                && (Files.isRegularFile(folder.resolve(MARK), LinkOption.NOFOLLOW_LINKS) || there());
    }
}
