package org.umberdial.launcher;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Says what there is of a shop after something went wrong, and which state is the last good one. */
final class Recovery {
    /** @param file empty for the generation before the last change */
    record Proposal(Optional<Path> file) {}

    private final Place place;

    Recovery(Place place) {
        this.place = place;
    }

    /** One line a thing that is there. */
    List<String> whatIsThere() {
        List<String> lines = new ArrayList<>();
        place.current()
                .ifPresentOrElse(
                        generation -> lines.add("In use: " + generation.name() + ", " + state(generation)),
                        () -> lines.add("There is no shop in " + place.folder() + "."));
        place.previous()
                .ifPresent(generation ->
                        lines.add("Before the last change: " + generation.name() + ", " + state(generation)));
        place.restoring().ifPresent(file -> lines.add("A restore of " + file + " was broken off."));
        for (Path backup : new Backups(place).all()) {
            lines.add("Backup: " + backup + ", " + backupState(backup));
        }
        return lines;
    }

    private static String state(Generation generation) {
        try (Opened opened = Opened.start(generation)) {
            Tables.State tables = opened.tables().state();
            return tables.broken()
                    ? "its tables are half changed; it cannot be used"
                    : "whole, tables " + tables.version();
        } catch (Refused down) {
            return "its database does not start: "
                    + down.getMessage().lines().reduce((a, b) -> b).orElse("");
        }
    }

    private static String backupState(Path backup) {
        try {
            Instant at = Files.getLastModifiedTime(backup).toInstant().truncatedTo(ChronoUnit.MINUTES);
            if (OldDump.is(backup)) {
                return "tables " + OldDump.version(backup) + ", " + at + ", of the earlier form";
            }
            return "tables " + Backup.manifest(backup).tables() + ", "
                    + Backup.manifest(backup).madeAt();
        } catch (IOException | Refused damaged) {
            return "damaged; it cannot be used";
        }
    }

    /** What would bring the shop back: the state before the last change, else the newest whole backup. */
    Optional<Proposal> proposal() {
        boolean previousWhole = place.previous()
                .filter(generation -> state(generation).startsWith("whole"))
                .isPresent();
        if (previousWhole) {
            return Optional.of(new Proposal(Optional.empty()));
        }
        return new Backups(place)
                .all().stream()
                        .filter(file -> !backupState(file).startsWith("damaged"))
                        .findFirst()
                        .map(file -> new Proposal(Optional.of(file)));
    }

    /**
     * Does it. What was in use is not lost: a whole shop is saved as a backup first, a broken one is set aside as it
     * is.
     *
     * @return where what was in use is now; empty when there was nothing
     */
    Optional<Path> bringBack(Proposal proposal) {
        Optional<Generation> was = place.current();
        Optional<Path> saved = was.flatMap(this::saved);
        if (proposal.file().isPresent()) {
            new Restore(place, Steps.NONE).from(proposal.file().get());
        } else {
            place.goBack();
        }
        return saved.or(() -> was.map(place::setAside));
    }

    private Optional<Path> saved(Generation generation) {
        try (Opened opened = Opened.start(generation)) {
            if (opened.tables().state().broken()) {
                return Optional.empty();
            }
            Path file = new Backups(place).next(Backups.REPLACED, Instant.now());
            Backup.save(place, opened.tables(), file, Steps.NONE);
            return Optional.of(file);
        } catch (Refused broken) {
            return Optional.empty();
        }
    }
}
