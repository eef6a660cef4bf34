package org.umberdial.core.stands;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.umberdial.core.Files;
import org.umberdial.core.Sets;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.Gate;
import org.umberdial.core.area.Plug;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.Looked;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.PlayerAnswered;
import org.umberdial.core.evidence.PlayerDescribed;
import org.umberdial.core.evidence.Proved;
import org.umberdial.core.evidence.Reading;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.guide.Guide;
import org.umberdial.core.player.Question;
import org.umberdial.core.proof.Proof;
import org.umberdial.core.proof.ProofSheet;
import org.umberdial.core.proof.ProofState;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;

/** Whatever a bench did to a set, map, front page, guide and ledger say the same of every part. */
class AgreementTest {
    private static final int LOGS_A_SET = 50;

    @ParameterizedTest
    @ValueSource(strings = {"table-set", "fm-superhet", "record-player", "field-coil"})
    void everythingSaysTheSame_whateverWasDone(String demo) {
        BenchSet set = Sets.demo(demo);
        for (int seed = 0; seed < LOGS_A_SET; seed++) {
            Book book = done(set, new Random(seed));
            String which = demo + " no. " + seed;
            agree(which, Files.of(set, book));
            assertEquals(Stands.of(Files.of(set, book)), Stands.of(Files.of(set, book)), which);
        }
    }

    private static void agree(String which, SetFile file) {
        Guide guide = Guide.of(file);
        Stands stands = Stands.of(file);
        Ledger ledger = file.ledger();
        assertEquals(guide.next(), stands.next(), which);
        for (Act act : guide.acts()) {
            assertFalse(act.plug() == Plug.IN && !guide.open(Gate.POWER), which + " powers past a stop: " + act);
            boolean opens = guide.stops(Gate.HANDS_IN).stream()
                    .anyMatch(stop -> stop.act().equals(act.id()));
            assertFalse(
                    act.plug() == Plug.OUT_HANDS_IN && !guide.open(Gate.HANDS_IN) && !opens,
                    which + " puts a hand past a stop: " + act);
        }
        for (int i = 0; i < file.areas().size(); i++) {
            Area area = file.areas().get(i);
            Stands.Stage stage = stands.stages().get(i);
            List<Claim> claims = area.claims(file);
            assertEquals(
                    claims.stream().filter(ledger::failed).count(), stage.failed(), which + " fails in " + area.id());
            assertEquals(
                    claims.size(),
                    stage.proven() + stage.doubtful() + stage.failed() + stage.open(),
                    which + " counts in " + area.id());
            assertEquals(
                    stage.state() == Stands.State.HERE,
                    guide.next().filter(act -> act.area().equals(area.id())).isPresent(),
                    which);
        }
        for (Proof proof : ProofSheet.of(file)) {
            if (!proof.point()) {
                part(which + " " + proof.subject(), proof, ledger);
            }
        }
    }

    private static void part(String which, Proof proof, Ledger ledger) {
        List<Ledger.Standing> known = ledger.about(proof.subject());
        Optional<Ledger.Replaced> replaced = ledger.replaced(proof.subject());
        replaced.ifPresent(by -> assertTrue(
                known.stream().noneMatch(s -> s.holds().at().isBefore(by.at())), which + " speaks of the old part"));
        boolean failed = known.stream().anyMatch(Ledger.Standing::failed);
        boolean doubted = known.stream().anyMatch(Ledger.Standing::doubted);
        assertEquals(failed, proof.state() == ProofState.TO_REPLACE, which);
        assertEquals(!failed && doubted, proof.state() == ProofState.DOUBTFUL, which);
        assertEquals(!failed && !doubted && replaced.isPresent(), proof.state() == ProofState.REPLACED, which);
        assertFalse(known.isEmpty() && proof.state() == ProofState.PROVEN, which + " is proven by nothing");
    }

    /** What a careless bench might have done: it reads, looks, swaps and takes back at random. */
    private static Book done(BenchSet set, Random random) {
        List<Part> resistors =
                set.parts().stream().filter(p -> p.card().letter() == 'R').toList();
        List<Part> parts = set.parts().stream()
                .filter(p -> "RCL".indexOf(p.card().letter()) >= 0)
                .toList();
        Book book = new Book();
        List<Reading> readings = new ArrayList<>();
        int steps = 5 + random.nextInt(30);
        for (int i = 0; i < steps; i++) {
            Part part = parts.get(random.nextInt(parts.size()));
            switch (random.nextInt(set.construction().player() ? 8 : 6)) {
                case 0 -> book.add(new PartReplaced(part.reference(), "another", random.nextBoolean()));
                case 1 -> book.add(new Proved(part.reference(), random.nextBoolean(), "on the bridge"));
                case 2 ->
                    book.add(new Looked(
                            "capacitors",
                            "capacitors-paper-or-wax",
                            "paper, wax drips",
                            part.reference(),
                            "",
                            Optional.empty()));
                case 3 ->
                    book.bench(
                            "discharge",
                            "v."
                                    + set.parts()
                                            .get(random.nextInt(set.parts().size()))
                                            .reference() + "=" + random.nextInt(60));
                case 4 -> {
                    Part r = resistors.get(random.nextInt(resistors.size()));
                    double ohms = r.workingValue().orElse(1e3) * Math.exp(random.nextGaussian() * 0.4);
                    readings.add(reading(
                            i, r.reference(), ReadingKind.OHMS, ohms, random.nextBoolean() ? r.reference() : ""));
                }
                case 6 -> {
                    List<Question> asked =
                            Question.all().stream().filter(Question::asked).toList();
                    Question question = asked.get(random.nextInt(asked.size()));
                    String answer = question.figure() ? "7" : random.nextBoolean() ? "yes" : "no";
                    book.add(new PlayerAnswered(question.id(), question.ask(), answer, ""));
                }
                case 7 -> {
                    book.add(player());
                    book.add(new SpeedRead(
                            SpeedRead.How.STROBE,
                            SpeedRead.What.PLATTER,
                            45,
                            43 + 3 * random.nextDouble(),
                            0.05,
                            SpeedRead.Load.FREE,
                            Optional.empty(),
                            Optional.empty()));
                }
                default -> {
                    if (!set.testPoints().isEmpty()) {
                        String node = set.testPoints()
                                .get(random.nextInt(set.testPoints().size()))
                                .node();
                        readings.add(reading(i, node, ReadingKind.DC, random.nextInt(250), ""));
                    }
                }
            }
        }
        return book.read(readings.toArray(Reading[]::new));
    }

    private static PlayerDescribed player() {
        return new PlayerDescribed(
                "idler",
                Set.of(),
                Optional.empty(),
                Optional.empty(),
                Map.of("45", 6.7),
                Optional.empty(),
                Optional.of(214.0),
                Optional.empty(),
                Optional.empty());
    }

    private static Reading reading(int i, String subject, ReadingKind kind, double value, String lifted) {
        return new Reading(
                "r" + i,
                subject,
                "0",
                kind,
                value,
                120,
                Optional.empty(),
                "",
                OptionalDouble.empty(),
                Instant.parse("2026-03-01T10:00:00Z").plusSeconds(i),
                lifted,
                Optional.empty(),
                false);
    }
}
