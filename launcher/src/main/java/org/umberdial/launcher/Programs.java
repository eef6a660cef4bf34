package org.umberdial.launcher;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** Programs of this machine, and processes of ours. */
final class Programs {
    private Programs() {}

    static String path(String name) {
        String searched = System.getenv().getOrDefault("PATH", "") + ":/usr/sbin:/usr/local/sbin:/usr/bin";
        return Stream.of(searched.split(":"))
                .filter(folder -> !folder.isEmpty())
                .map(folder -> Path.of(folder, name))
                .filter(Files::isExecutable)
                .map(Path::toString)
                .findFirst()
                .orElseThrow(() -> new Refused(name
                        + " is missing; install it with: sudo apt-get install "
                        + "mariadb-server-core mariadb-client-core"));
    }

    /** The user this runs as. */
    static String user() {
        return System.getProperty("user.name");
    }

    /** The process of a number, if a word in its command line says that it is ours; numbers are used again. */
    static Optional<ProcessHandle> ours(long pid, String word) {
        return ProcessHandle.of(pid)
                .filter(ProcessHandle::isAlive)
                .filter(handle -> commandLine(pid).contains(word));
    }

    /** Every process with all of some words in its command line. */
    static List<ProcessHandle> with(String... words) {
        return ProcessHandle.allProcesses()
                .filter(process -> Stream.of(words).allMatch(commandLine(process.pid())::contains))
                .toList();
    }

    private static String commandLine(long pid) {
        try {
            return new String(Files.readAllBytes(Path.of("/proc", Long.toString(pid), "cmdline"))).replace('\0', ' ')
                    + ' ';
        } catch (IOException gone) {
            return "";
        }
    }

    /** Asks a process to end, waits, and ends it if it does not. */
    static void end(ProcessHandle process, long seconds) {
        process.destroy();
        try {
            process.onExit().get(seconds, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            process.destroyForcibly();
        } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException slow) {
            process.destroyForcibly();
            process.onExit().join();
        }
    }

    /** A command whose files are its user's alone. */
    static List<String> closed(List<String> command) {
        List<String> all = new ArrayList<>(List.of("sh", "-c", "umask 077; exec \"$@\"", "sh"));
        all.addAll(command);
        return all;
    }

    /**
     * A command in a session of its own, so that Ctrl-C at the terminal reaches only the launcher, which ends the
     * others in order.
     */
    static ProcessBuilder apart(List<String> command) {
        List<String> all = new ArrayList<>(List.of("setsid"));
        all.addAll(closed(command));
        return new ProcessBuilder(all).redirectInput(ProcessBuilder.Redirect.from(new java.io.File("/dev/null")));
    }
}
