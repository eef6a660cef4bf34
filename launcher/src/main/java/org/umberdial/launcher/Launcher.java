package org.umberdial.launcher;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.function.Function;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/**
 * The verbs of {@code ./umber} that need a shop. Exit 0 when done, 1 when refused, 2 when the words are not understood.
 */
@Command(
        name = "umber",
        description = "Keeps a shop standing.",
        subcommands = {
            Launcher.Start.class,
            Launcher.Demo.class,
            Launcher.Stop.class,
            Launcher.Save.class,
            Launcher.BringIn.class,
            Launcher.Recover.class,
            Launcher.SignIn.class
        })
public final class Launcher implements Runnable {
    private Launcher() {}

    public static void main(String[] arguments) {
        System.exit(run(arguments));
    }

    static int run(String... arguments) {
        CommandLine line = new CommandLine(new Launcher());
        line.setExecutionExceptionHandler((failure, command, parsed) -> {
            if (failure instanceof Refused) {
                say(failure.getMessage());
                return 1;
            }
            say("this could not be done: " + failure.getMessage() + " ("
                    + failure.getClass().getSimpleName() + ")");
            if (System.getenv("UMBER_TRACE") != null) {
                failure.printStackTrace();
            }
            return 1;
        });
        line.setParameterExceptionHandler((failure, words) -> {
            say(failure.getMessage() + "; ./umber help lists what is");
            return 2;
        });
        return line.execute(arguments);
    }

    static void say(String sentence) {
        System.err.println("umber: " + sentence);
    }

    @Override
    public void run() {
        say("a verb is wanted; ./umber help lists them");
    }

    /** Where the finished application lies, and where shops do; the script says both. */
    private static Path folder(String property) {
        return Path.of(System.getProperty(property, ".")).toAbsolutePath().normalize();
    }

    private static Place place(boolean demo) {
        return new Place(folder("umber.home").resolve(demo ? "demo" : "shop"));
    }

    abstract static class Runs implements Callable<Integer> {
        @Option(names = "--port", defaultValue = "8080", converter = Port.class)
        int port;

        @Option(names = "--heap", defaultValue = "0", description = "MB the application may use")
        int heap;

        int keep(boolean demo, boolean lan, List<String> settings) throws InterruptedException {
            Application.Wanted wanted = new Application.Wanted(folder("umber.app"), port, demo, settings, heap);
            new Keeper(place(demo).make(), wanted, Launcher::say).run(lan);
            return 0;
        }
    }

    @Command(name = "demo")
    static final class Demo extends Runs {
        @Override
        public Integer call() throws InterruptedException {
            return keep(true, false, List.of());
        }
    }

    @Command(name = "start")
    static final class Start extends Runs {
        @Option(names = "--lan")
        boolean lan;

        @Option(names = "--lan-port", defaultValue = "8443", converter = Port.class)
        int lanPort;

        @Option(names = "--name", defaultValue = "")
        String names;

        @Option(names = "--cert")
        Path certificate;

        @Option(names = "--key")
        Path key;

        @Override
        public Integer call() throws InterruptedException {
            return keep(false, lan, settings());
        }

        private List<String> settings() {
            if (!lan && (!names.isEmpty() || certificate != null || key != null)) {
                throw new Refused("--name, --cert and --key are for --lan");
            }
            if ((certificate == null) != (key == null)) {
                throw new Refused("--cert and --key belong together");
            }
            if (!names.matches("[A-Za-z0-9.,-]*")) {
                throw new Refused("--name takes host names or addresses with commas between, not " + names);
            }
            if (!lan) {
                return List.of();
            }
            if (Keeper.taken(lanPort)) {
                throw new Refused("port " + lanPort + " is in use; choose another with --lan-port " + (lanPort + 1));
            }
            List<String> settings = new ArrayList<>(List.of(
                    "--umber.lan.open=true",
                    "--umber.lan.port=" + lanPort,
                    "--umber.lan.addresses=" + names,
                    "--umber.lan.certificate=" + readable(certificate),
                    "--umber.lan.key=" + readable(key)));
            if (!names.isEmpty()) {
                String first = names.split(",")[0];
                settings.add("--umber.passkeys.host=" + first);
                settings.add("--umber.passkeys.origins=https://" + first + ":" + lanPort);
            }
            return settings;
        }

        private static String readable(Path file) {
            if (file == null) {
                return "";
            }
            if (!Files.isReadable(file)) {
                throw new Refused(file + " cannot be read");
            }
            return file.toAbsolutePath().normalize().toString();
        }
    }

    @Command(name = "stop")
    static final class Stop implements Callable<Integer> {
        @Override
        public Integer call() {
            for (boolean demo : new boolean[] {true, false}) {
                Place place = place(demo);
                if (Files.isDirectory(place.folder())) {
                    Running.of(place).flatMap(Running::liveLauncher).ifPresent(launcher -> Programs.end(launcher, 90));
                    try (Place.Held held = place.hold()) {
                        Keeper.endLeftovers(place);
                    }
                }
            }
            return 0;
        }
    }

    abstract static class OnShop implements Callable<Integer> {
        @Option(names = "--demo")
        boolean demo;

        /** Does something with the shop's tables, whether they are in use at the moment or not. */
        <T> T withTables(Function<Tables, T> act) {
            Place place = place(demo);
            if (!place.exists()) {
                throw new Refused("there is no shop in " + place.folder() + " yet");
            }
            Optional<Running> running = Running.of(place)
                    .filter(r -> r.liveDatabase(place).isPresent()
                            && r.liveLauncher().isPresent());
            if (running.isPresent()) {
                return act.apply(new Tables(running.get().access(), Access.SCHEMA));
            }
            try (Place.Held held = place.hold()) {
                Keeper.endLeftovers(place);
                Generation current = place.current()
                        .orElseThrow(() -> new Refused("there is no shop in " + place.folder() + " yet"));
                try (Opened opened = Opened.start(current)) {
                    return act.apply(opened.tables());
                }
            }
        }
    }

    @Command(name = "backup")
    static final class Save extends OnShop {
        @Parameters(arity = "0..1")
        Path file;

        @Override
        public Integer call() throws IOException {
            Path target = wanted(file, "name the file to write: ./umber backup FILE");
            Backup.Manifest made = withTables(tables -> Backup.save(place(demo), tables, target, Steps.NONE));
            long rows = made.contents().stream().mapToLong(Contents.Sum::rows).sum();
            say("saved to " + target + ": " + rows + " rows, " + Math.max(1, Files.size(target) / 1_000_000) + " MB");
            return 0;
        }
    }

    @Command(name = "restore")
    static final class BringIn implements Callable<Integer> {
        @Parameters(arity = "0..1")
        Path file;

        @Override
        public Integer call() {
            Path source = wanted(file, "name the file to read: ./umber restore FILE");
            Place place = place(false).make();
            try (Place.Held held = place.hold()) {
                Keeper.endLeftovers(place);
                if (place.current().isPresent()) {
                    throw new Refused("there is a shop here already; restore into an empty place (UMBER_HOME=elsewhere "
                            + "./umber restore "
                            + source + "), or ./umber recover --from " + source
                            + " to put it in this shop's place");
                }
                new Restore(place, Steps.NONE).from(source);
            }
            say("restored; ./umber start opens it");
            return 0;
        }
    }

    @Command(name = "recover")
    static final class Recover implements Callable<Integer> {
        @Option(names = "--bring-back", description = "bring the last good state back")
        boolean bringBack;

        @Option(names = "--from", description = "bring this backup back")
        Path from;

        @Option(names = "--forget-restore", description = "begin with an empty shop after a restore was broken off")
        boolean forget;

        @Option(names = "--demo")
        boolean demo;

        @Override
        public Integer call() {
            Place place = place(demo).make();
            try (Place.Held held = place.hold()) {
                Keeper.endLeftovers(place);
                if (forget) {
                    place.restored();
                    place.clearStrays();
                    say("the broken-off restore is forgotten; ./umber start goes on");
                    return 0;
                }
                Recovery recovery = new Recovery(place);
                if (from == null && !bringBack) {
                    return report(recovery);
                }
                Recovery.Proposal chosen = from != null
                        ? new Recovery.Proposal(Optional.of(from))
                        : recovery.proposal()
                                .orElseThrow(() -> new Refused("there is no earlier state and no whole backup here"));
                recovery.bringBack(chosen).ifPresent(kept -> say("what was in use is kept: " + kept));
                say(chosen.file().map(file -> file + " is back").orElse("the state before the last change is back")
                        + "; ./umber start opens it");
                return 0;
            }
        }

        private static int report(Recovery recovery) {
            recovery.whatIsThere().forEach(System.out::println);
            recovery.proposal()
                    .ifPresentOrElse(
                            proposal -> System.out.println("To go back to "
                                    + proposal.file().map(Path::toString).orElse("the state before the last change")
                                    + ": ./umber recover --bring-back"),
                            () -> System.out.println("There is no earlier state to go back to."));
            return 0;
        }
    }

    @Command(name = "sign-in")
    static final class SignIn extends OnShop {
        @Parameters(arity = "0..1", defaultValue = "")
        String name;

        @Option(names = "--port", defaultValue = "8080", converter = Port.class)
        int port;

        @Override
        public Integer call() {
            String token = withTables(tables -> SignInLink.make(tables, name));
            int running = Running.of(place(demo)).map(Running::port).orElse(port);
            System.out.println("http://127.0.0.1:" + running + "/pair#" + token);
            say("works once, within ten minutes, in a browser on this machine while Umber Dial runs");
            return 0;
        }
    }

    private static Path wanted(Path file, String sentence) {
        if (file == null) {
            throw new Refused(sentence);
        }
        return file;
    }

    static final class Port implements CommandLine.ITypeConverter<Integer> {
        @Override
        public Integer convert(String text) {
            if (!text.matches("[0-9]{1,5}") || Integer.parseInt(text) < 1 || Integer.parseInt(text) > 65535) {
                throw new CommandLine.TypeConversionException("a port is a number from 1 to 65535, not " + text);
            }
            return Integer.parseInt(text);
        }
    }
}
