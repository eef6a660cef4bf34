package org.umberdial.core;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.umberdial.core.area.Bench;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.ReadingLog;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.instrument.Kit;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.proof.Proof;
import org.umberdial.core.proof.ProofSheet;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.stands.Areas;
import org.umberdial.core.volts.VoltsArea;
import org.umberdial.core.volts.VoltsReport;

/** Files of sets for tests: on the line of the house, no meter chosen, with all the equipment there is. */
public final class Files {
    private Files() {}

    public static SetFile of(BenchSet set, Book book) {
        return of(set, SupplyLabel.UNKNOWN, book, EnumSet.allOf(Equipment.class));
    }

    public static SetFile of(BenchSet set, SupplyLabel label, Book book, Set<Equipment> equipment) {
        return Areas.open(new SetFile.Contents(
                set,
                Set.of(),
                label,
                HousePolicy.standard(),
                new Bench(
                        120,
                        Optional.empty(),
                        0,
                        set.modes().isEmpty() ? "" : set.modes().get(0)),
                book.journal(),
                1,
                kit(equipment)));
    }

    /** One instrument that can do all of this, and of which nobody said how far it reaches. */
    public static Kit kit(Set<Equipment> equipment) {
        return new Kit(List.of(new Instrument(
                "kit", "Kit", false, equipment.stream().map(Ability::of).toList())));
    }

    /** What the points say with everything taken into account that was read. */
    public static VoltsReport report(BenchSet set, ReadingLog log, Bench bench) {
        return VoltsArea.report(Areas.open(new SetFile.Contents(
                set,
                Set.of(),
                SupplyLabel.UNKNOWN,
                HousePolicy.standard(),
                bench,
                new Book().read(log.standing().toArray(Reading[]::new)).journal(),
                1,
                kit(EnumSet.allOf(Equipment.class)))));
    }

    public static Proof proof(SetFile file, String subject) {
        return ProofSheet.of(file).stream()
                .filter(proof -> proof.subject().equals(subject))
                .findFirst()
                .orElseThrow(() -> new AssertionError("nothing is said of " + subject));
    }
}
