package org.umberdial.launcher;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.sql.Connection;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.function.Consumer;

/**
 * Runs a shop: its database and its application, until told to stop. What ends by itself is started again, the database
 * within seconds, under the same port and passwords, so that the application finds it as it was.
 */
final class Keeper {
    private static final long LOOK_MILLIS = 200;
    private static final long BACKUP_LOOK_MILLIS = 600_000;
    private static final long SPARE_BYTES = 300_000_000;
    private static final int FALLS_ALLOWED = 5;
    private static final long FALLS_WITHIN_MILLIS = 120_000;

    private final Place place;
    private final Application.Wanted wanted;
    private final Consumer<String> say;
    private final Application application;
    private final java.util.ArrayDeque<Long> falls = new java.util.ArrayDeque<>();

    private Opened opened;
    private Process serving;
    private boolean stopping;
    private volatile boolean holding;

    Keeper(Place place, Application.Wanted wanted, Consumer<String> say) {
        this.place = place;
        this.wanted = wanted;
        this.say = say;
        this.application = new Application(place, wanted);
    }

    /**
     * Runs until the process is told to end.
     *
     * @param lan whether the shop is opened to its network, which needs an owner
     * @throws Refused when it cannot start, or falls again and again
     */
    void run(boolean lan) throws InterruptedException {
        if (taken(wanted.port())) {
            throw new Refused("port " + wanted.port()
                    + " is in use; run ./umber stop if that is Umber Dial, or choose another with --port "
                    + (wanted.port() + 1));
        }
        try (Place.Held held = place.hold()) {
            Runtime.getRuntime().addShutdownHook(new Thread(this::stop));
            holding = true;
            boolean cutShort = Running.of(place).isPresent();
            endLeftovers(place);
            boolean restoring = place.restoring().isPresent();
            Opened ready = new Opening(place, Steps.NONE, say).open();
            synchronized (this) {
                opened = ready;
                writeDown();
            }
            if (cutShort || restoring) {
                Standing.happened(
                        place, restoring ? Standing.Kind.RESTORE_BROKEN_OFF : Standing.Kind.ENDED_WITHOUT_WARNING);
            }
            long owners = owners();
            if (lan && owners == 0) {
                throw new Refused(
                        "nobody owns this shop yet, so it is not opened to the network: run ./umber start, open "
                                + wanted.address() + " on this machine, make the owner, then start it with --lan");
            }
            startApplication();
            place.healthy();
            new Backups(place).letGoOfOld();
            System.out.println("Umber Dial: " + wanted.address() + "   (Ctrl-C stops it)");
            if (!wanted.demo() && owners == 0) {
                System.out.println(
                        "Nobody owns this shop yet: open that address in a browser on this machine, and it is yours");
            }
            watch();
        } finally {
            stop();
            holding = false;
        }
    }

    private long owners() {
        try (Connection db = opened.tables().connection()) {
            return Tables.count(db, "SELECT COUNT(*) FROM account WHERE role = 'OWNER' AND NOT closed");
        } catch (SQLException e) {
            throw new Refused("The database cannot be read: " + e.getMessage(), e);
        }
    }

    private void startApplication() throws InterruptedException {
        synchronized (this) {
            if (stopping) {
                return;
            }
            serving = application.start(opened.access());
            writeDown();
        }
        if (!application.serves(serving) && !isStopping()) {
            throw new Refused("the application did not start; its last words, all of them in " + place.serverLog()
                    + ":\n" + application.lastWords());
        }
    }

    private void writeDown() {
        new Running(
                        ProcessHandle.current().pid(),
                        opened.database().pid(),
                        serving == null ? 0 : serving.pid(),
                        wanted.port(),
                        opened.generation().name(),
                        opened.access())
                .write(place);
    }

    private synchronized boolean isStopping() {
        return stopping;
    }

    private void watch() throws InterruptedException {
        long backupLook = 0;
        while (true) {
            boolean databaseFell;
            boolean applicationFell;
            synchronized (this) {
                if (stopping) {
                    return;
                }
                databaseFell = !opened.database().isAlive();
                applicationFell = !serving.isAlive();
            }
            if (databaseFell) {
                fell("the database ended by itself; starting it again");
                startDatabaseAgain();
                Standing.happened(place, Standing.Kind.DATABASE_STARTED_AGAIN);
            } else if (applicationFell) {
                fell("the application ended by itself; starting it again");
                startApplication();
                Standing.happened(place, Standing.Kind.APPLICATION_STARTED_AGAIN);
            } else if (!wanted.demo() && System.currentTimeMillis() - backupLook > BACKUP_LOOK_MILLIS) {
                backupLook = System.currentTimeMillis();
                dailyBackup();
            }
            Thread.sleep(LOOK_MILLIS);
        }
    }

    private void fell(String what) {
        say.accept(what);
        long now = System.nanoTime() / 1_000_000;
        falls.add(now);
        falls.removeIf(fall -> fall < now - FALLS_WITHIN_MILLIS);
        if (falls.size() > FALLS_ALLOWED) {
            throw new Refused(what.substring(0, what.indexOf(';')) + " " + falls.size()
                    + " times within two minutes; look into " + place.serverLog()
                    + " and the database's error.log beside its data. ./umber recover says what is there.");
        }
    }

    private synchronized void startDatabaseAgain() {
        if (stopping) {
            return;
        }
        Process database;
        try {
            database = opened.generation().database().start(opened.access());
        } catch (Refused down) {
            say.accept(down.getMessage());
            return; // The next look tries again; after too many, fell() gives up.
        }
        opened = new Opened(opened.generation(), database, opened.access());
        writeDown();
    }

    /** Beside the watching: a large shop takes a while to write. */
    private void dailyBackup() {
        Backups backups = new Backups(place);
        if (backups.dailyIsDue(Instant.now())) {
            Tables tables = opened.tables();
            Generation generation = opened.generation();
            Thread backup = new Thread(
                    () -> {
                        try {
                            requireRoom(backups, generation);
                            Backup.save(place, tables, backups.next(Backups.DAILY, Instant.now()), Steps.NONE);
                            backups.letGo(Backups.DAILY);
                        } catch (RuntimeException failed) {
                            say.accept("the daily backup failed: " + failed.getMessage());
                            Standing.happened(place, Standing.Kind.BACKUP_FAILED);
                        }
                    },
                    "backup");
            backup.setDaemon(true);
            backup.start();
        }
    }

    /** A backup that fills the disk would take the room that readings need. */
    private void requireRoom(Backups backups, Generation generation) {
        try {
            long free = OwnFiles.free(place.folder());
            long needed = backups.room(generation) + SPARE_BYTES;
            if (free < needed) {
                throw new Refused("it needs " + needed / 1_000_000 + " MB, and " + free / 1_000_000 + " MB are free");
            }
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private void stop() {
        Opened database;
        synchronized (this) {
            stopping = true;
            if (serving != null) {
                Application.stop(serving.toHandle());
                serving = null;
            }
            database = opened;
            opened = null;
        }
        if (database != null) {
            database.close();
            Running.forget(place);
        } else if (holding) {
            // Told to stop while the shop was being made ready: its server is not ours to name yet.
            endLeftovers(place);
        }
    }

    /** Ends what a killed launcher left running: it is known by the folder in its command line. */
    static void endLeftovers(Place place) {
        Programs.with(Application.JAR, Application.mark(place)).forEach(Application::stop);
        // A server, or the script that was making its first tables and would start it once more.
        String onItsTables = "--datadir=" + place.folder() + "/db";
        for (List<ProcessHandle> left = Programs.with(onItsTables);
                !left.isEmpty();
                left = Programs.with(onItsTables)) {
            left.forEach(Database::stop);
        }
        Running.forget(place);
    }

    static boolean taken(int port) {
        try (Socket socket = new Socket()) {
            socket.connect(new InetSocketAddress(InetAddress.getLoopbackAddress(), port), 1000);
            return true;
        } catch (IOException free) {
            return false;
        }
    }
}
