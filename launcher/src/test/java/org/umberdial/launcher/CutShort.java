package org.umberdial.launcher;

import java.nio.file.Path;
import java.util.concurrent.atomic.AtomicInteger;

/**
 * Does one thing to a place and ends without warning, its database with it, at the n-th step: {@code PLACE VERB N
 * [FILE]}.
 */
final class CutShort {
    static final int CUT = 137;

    private CutShort() {}

    public static void main(String[] arguments) {
        Place place = new Place(Path.of(arguments[0]));
        int last = Integer.parseInt(arguments[2]);
        AtomicInteger count = new AtomicInteger();
        Steps steps = step -> {
            if (count.incrementAndGet() == last) {
                ProcessHandle.current().descendants().forEach(ProcessHandle::destroyForcibly);
                System.out.println("cut " + step);
                Runtime.getRuntime().halt(CUT);
            }
        };
        try (Place.Held held = place.hold()) {
            Keeper.endLeftovers(place);
            switch (arguments[1]) {
                case "open" -> new Opening(place, steps, said -> {}).open().close();
                case "restore" -> new Restore(place, steps).from(Path.of(arguments[3]));
                case "backup" -> {
                    try (Opened opened = Opened.start(place.current().orElseThrow())) {
                        Backup.save(place, opened.tables(), Path.of(arguments[3]), steps);
                    }
                }
                default -> throw new IllegalArgumentException(arguments[1]);
            }
        }
        System.out.println("done " + count.get());
    }
}
