package org.umberdial.launcher;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.function.Consumer;

/**
 * Makes a place's shop ready to serve: the first start, and the change of an older version's tables. Both work on a
 * generation nobody uses; MariaDB cannot roll a change of tables back, but a generation that is not the shop yet can be
 * thrown away.
 */
final class Opening {
    private static final long SPARE_BYTES = 300_000_000;

    private final Place place;
    private final Steps steps;
    private final Consumer<String> say;

    Opening(Place place, Steps steps, Consumer<String> say) {
        this.place = place;
        this.steps = steps;
        this.say = say;
    }

    /**
     * The shop with its database running and its tables of this program's version. The place must be held.
     *
     * @throws Refused when it cannot be; what was there is as it was
     */
    Opened open() {
        place.clearStrays();
        place.restoring().ifPresent(this::brokenOff);
        if (place.current().isEmpty()) {
            return first();
        }
        Opened opened = Opened.start(place.current().get());
        try {
            Tables tables = opened.tables();
            Tables.State state = tables.state();
            int version = state.version();
            int newest = state.newest();
            if (state.broken()) {
                throw new Refused(
                        "A change of this shop's tables was broken off by an earlier version, which left them "
                                + "half changed. ./umber recover says which backup brings the shop back.");
            }
            if (version > newest) {
                throw new Refused(
                        "This shop was last used by a newer Umber Dial (tables " + version + "; this one knows up to "
                                + newest + "): start that one, or restore an older backup elsewhere.");
            }
            return version < newest ? upgrade(opened, version, newest) : opened;
        } catch (RuntimeException failed) {
            opened.close();
            throw failed;
        }
    }

    private void brokenOff(String file) {
        if (place.current().isEmpty()) {
            throw new Refused(
                    "A restore of " + file + " was broken off, so there is no shop here yet. Run ./umber restore "
                            + file + " again; to begin with an empty shop instead, ./umber recover --forget-restore.");
        }
        say.accept("a restore of " + file + " was broken off; the shop is as it was before");
        place.restored();
    }

    private Opened first() {
        steps.reached("before the first generation's folder");
        Generation generation = place.fresh();
        steps.reached("before the server's own tables");
        generation.database().install();
        steps.reached("before the server's first start");
        Opened opened = Opened.start(generation);
        try {
            opened.tables().change(0, steps);
            place.use(generation, steps);
            return opened;
        } catch (RuntimeException failed) {
            opened.close();
            throw failed;
        }
    }

    private Opened upgrade(Opened old, int version, int newest) {
        say.accept("bringing the tables from version " + version + " to " + newest);
        saveFirst(old, newest);
        old.close();
        Generation was = old.generation();
        roomFor(was);
        steps.reached("before the copy");
        Generation next = place.fresh();
        try {
            OwnFiles.copy(was.folder().resolve("data"), next.folder().resolve("data"));
        } catch (IOException failed) {
            place.clearStrays();
            throw new Refused(
                    "The tables could not be copied to change them (" + failed.getMessage()
                            + "); the shop is as it was.",
                    failed);
        }
        steps.reached("before the copy is started");
        Opened opened = Opened.start(next);
        try {
            opened.tables().change(newest, steps);
            place.use(next, steps);
            return opened;
        } catch (RuntimeException failed) {
            opened.close();
            throw failed;
        }
    }

    /** One backup for one change, however often that change is begun. */
    private void saveFirst(Opened old, int newest) {
        if (place.changing().map(Path::of).filter(Files::isRegularFile).isPresent()) {
            return;
        }
        Path file = new Backups(place).next(Backups.BEFORE + "-" + newest, Instant.now());
        Backup.save(place, old.tables(), file, steps);
        place.changing(file.toString());
    }

    private void roomFor(Generation was) {
        try {
            long needed = OwnFiles.size(was.folder()) + SPARE_BYTES;
            long there = OwnFiles.free(place.folder());
            if (there < needed) {
                throw new Refused("The new version changes a copy of the tables, which needs " + needed / 1_000_000
                        + " MB; " + there / 1_000_000 + " MB are free in " + place.folder()
                        + ". Free some space, then start again; the shop is as it was.");
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
