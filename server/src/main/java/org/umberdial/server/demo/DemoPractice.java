package org.umberdial.server.demo;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.umberdial.core.diagnosis.Spot;
import org.umberdial.core.practice.Level;
import org.umberdial.core.practice.Practice;
import org.umberdial.server.practice.PracticeService;
import org.umberdial.server.security.Caller;

/** Two practices of the demo shop: one that was finished, and one that goes on. */
@Component
@ConditionalOnProperty("umber.demo")
class DemoPractice {
    static final String OVER = "44444444-0000-4000-8000-000000000001";
    static final String GOES_ON = "44444444-0000-4000-8000-000000000002";
    private static final long OVER_NUMBER = 2;
    private static final long GOES_ON_NUMBER = 7;

    private final PracticeService practices;

    DemoPractice(PracticeService practices) {
        this.practices = practices;
    }

    void fill(Caller caller) {
        practices.begin(caller, OVER, Level.PLAIN, Optional.of(OVER_NUMBER));
        List.of(
                        new Practice.Read(Spot.dc("v4_plate")),
                        new Practice.Read(Spot.dc("bplus")),
                        new Practice.Test("V6"),
                        new Practice.Read(Spot.dc("ct")),
                        new Practice.Test("R2"),
                        new Practice.Named("R2"))
                .forEach(move -> practices.move(caller, OVER, UUID.randomUUID().toString(), move));
        practices.begin(caller, GOES_ON, Level.ANY, Optional.of(GOES_ON_NUMBER)).practice().set().spots().stream()
                .filter(spot -> spot.kind() == Spot.Kind.DC)
                .sorted(Comparator.comparing(Spot::node))
                .limit(2)
                .forEach(spot ->
                        practices.move(caller, GOES_ON, UUID.randomUUID().toString(), new Practice.Read(spot)));
    }
}
