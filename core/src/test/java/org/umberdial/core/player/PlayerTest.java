package org.umberdial.core.player;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.umberdial.core.arrival.Book;
import org.umberdial.core.caution.Cautions;
import org.umberdial.core.claim.Aspect;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.claim.Ledger;
import org.umberdial.core.evidence.PlayerAnswered;
import org.umberdial.core.evidence.PlayerDescribed;
import org.umberdial.core.evidence.PlayerMended;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.evidence.SpeedRead.How;
import org.umberdial.core.evidence.SpeedRead.Load;
import org.umberdial.core.evidence.SpeedRead.What;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.sound.Heard;
import org.umberdial.core.sound.SimulatedPlayer;
import org.umberdial.core.sound.SpeedLine;
import org.umberdial.core.sound.SpeedMeter;
import org.umberdial.core.value.InvalidEntry;

class PlayerTest {
    private static final double LP = 100 / 3.0;

    /** An idler of 38 mm between a shaft with a step of 4.96 mm and a rim of 214 mm, its motor for 1438 1/min. */
    private static PlayerDescribed idler() {
        return new PlayerDescribed(
                "idler",
                Set.of(),
                Optional.of(1438.0),
                Optional.of(50.0),
                Map.of("33.33", 4.96, "45", 6.7, "78.26", 11.65),
                Optional.of(38.0),
                Optional.of(214.0),
                Optional.empty(),
                Optional.empty());
    }

    private static SpeedRead read(What what, Load load, double rpm, double measured, double minutes) {
        return new SpeedRead(How.STROBE, what, rpm, measured, 0.02, load, Optional.of(minutes), Optional.empty());
    }

    private static SpeedRead tone(double off, List<SpeedLine> lines, List<Double> marks, boolean halfRound) {
        SimulatedPlayer player = new SimulatedPlayer(3150, off, 0, lines, -40, -30, 60, 4, 7);
        Heard heard = SpeedMeter.of(player.play(44100, 40), 3150);
        return new ToneReading(SpeedRead.What.PLATTER, LP, Optional.of(12.0), marks, halfRound, Optional.of(100.0))
                .read(heard.measured().orElseThrow(() -> new AssertionError(heard)));
    }

    private static PlayerBench bench(Book book) {
        return PlayerBench.of(book.journal(), HousePolicy.standard());
    }

    private static PlayerAnswered said(String question, String answer) {
        return new PlayerAnswered(question, "Asked?", answer, "");
    }

    private static List<String> named(PlayerBench bench) {
        return bench.ranking().orElseThrow().named().stream()
                .map(s -> s.cause().id())
                .toList();
    }

    private static Optional<Ledger.Standing> stands(PlayerBench bench, String subject, Aspect aspect) {
        return Ledger.of(bench.observations(), List.of()).of(new Claim(subject, aspect));
    }

    @Test
    void speedsFollowFromDiameters_andTheIdlersOwnCancels() {
        Drive drive = Drive.of(idler());
        assertEquals(1438 * 4.96 / 214, drive.made(LP).orElseThrow(), 1e-9);
        // Published example of the trade: from 60 to 50 Hz the step grows by 60/50.
        assertEquals(
                1.2,
                drive.stepFor(LP, 1200).orElseThrow() / drive.stepFor(LP, 1440).orElseThrow(),
                1e-9);
        Map<String, Double> hertz = new HashMap<>();
        drive.turning(LP, LP, 50).forEach(t -> hertz.put(t.id(), t.hertz()));
        assertEquals(LP / 60, hertz.get("platter"), 1e-9);
        assertEquals(LP / 60 * 214 / 38, hertz.get("idler"), 1e-9);
        assertEquals(LP / 60 * 214 / 4.96, hertz.get("motor"), 1e-9);
        assertEquals(100, hertz.get("hum"), 1e-9);
        PlayerDescribed belt = new PlayerDescribed(
                "belt",
                Set.of(),
                Optional.of(300.0),
                Optional.empty(),
                Map.of("33.33", 20.0),
                Optional.empty(),
                Optional.of(180.0),
                Optional.of(610.0),
                Optional.of(1.0));
        assertEquals(300 * 21 / 181.0, Drive.of(belt).made(33.33).orElseThrow(), 1e-9);
    }

    @Test
    void whatNobodyMeasured_namesNothing_andWhatCannotBeIsRefused() {
        PlayerDescribed bare = new PlayerDescribed(
                "idler",
                Set.of(),
                Optional.empty(),
                Optional.empty(),
                Map.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
        assertTrue(Drive.of(bare).made(LP).isEmpty());
        assertTrue(Drive.of(bare).turning(LP, LP, 50).stream()
                .allMatch(t -> Set.of(Turning.Part.PLATTER, Turning.Part.HUM).contains(t.part())));
        for (double mm : new double[] {0, -3, Double.NaN, 1e9}) {
            assertThrows(
                    InvalidEntry.class,
                    () -> Drive.of(new PlayerDescribed(
                            "idler",
                            Set.of(),
                            Optional.empty(),
                            Optional.empty(),
                            Map.of("45", mm),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty(),
                            Optional.empty())));
        }
        assertThrows(InvalidEntry.class, () -> DriveKind.of("hamster"));
    }

    /** The worked examples of the trade's tables: 360, 180 and 133 bars at 50 Hz, 432, 216 and 160 at 60 Hz. */
    @ParameterizedTest
    @CsvSource({
        "50,16.667,360",
        "50,33.333,180",
        "50,45,133",
        "50,78,77",
        "60,16.667,432",
        "60,33.333,216",
        "60,45,160",
        "60,78.26,92"
    })
    void barsOfAStrobe(double hertz, double rpm, int bars) {
        assertEquals(bars, Flashes.of(Flashes.Lamp.LINE, hertz).bars(rpm));
    }

    @Test
    void driftingBars_giveTheSpeed_andADiscIsInTrueSize() {
        Flashes fifty = Flashes.of(Flashes.Lamp.LINE, 50);
        assertEquals(45.11, fifty.standsStill(133), 0.005);
        assertEquals(102 * 60 / 180.0, fifty.rpm(180, 2), 1e-9);
        assertEquals(50, Flashes.of(Flashes.Lamp.HALF_WAVE, 50).perSecond());
        StrobeDisc disc = StrobeDisc.of(fifty, List.of(78.26, 33.33, 45.0));
        assertEquals(
                List.of(180, 133, 77),
                disc.rings().stream().map(StrobeDisc.Ring::bars).toList());
        String svg = disc.svg();
        assertTrue(
                svg.contains("width=\"190.0mm\"") && svg.contains("viewBox=\"0 0 190.0 210.0\""),
                svg.substring(0, 200));
        assertEquals(180 + 133 + 77, svg.split("Z", -1).length - 1);
        assertThrows(InvalidEntry.class, () -> StrobeDisc.of(fifty, List.of()));
        assertThrows(InvalidEntry.class, () -> StrobeDisc.of(fifty, List.of(2.0)));
        assertThrows(InvalidEntry.class, () -> StrobeDisc.of(Flashes.of(Flashes.Lamp.STATED, 5), List.of(150.0)));
        assertThrows(InvalidEntry.class, () -> Flashes.of(Flashes.Lamp.LINE, Double.NaN));
    }

    @Test
    void tapsOfAMark_giveTheSpeed_withAMissedOne_andNoRhythmIsRefused() {
        List<Double> taps = new ArrayList<>();
        double[] thumb = {0.02, -0.03, 0.01, 0, -0.02, 0.03, -0.01, 0.02, 0, -0.02, 0.01, 0};
        for (int i = 0; i < 12; i++) {
            if (i != 5) {
                taps.add(3 + i * 60 / 32.0 + thumb[i]);
            }
        }
        TurnCount count = TurnCount.of(taps);
        assertEquals(32, count.rpm(), count.within());
        assertTrue(count.within() < 0.2, count.within() + " 1/min");
        assertEquals(1, count.missed());
        assertEquals(11, count.turns());
        assertThrows(InvalidEntry.class, () -> TurnCount.of(List.of(1.0, 2.0, 3.0)));
        assertThrows(InvalidEntry.class, () -> TurnCount.of(List.of(1.0, 2.0, 3.0, 4.5, 5.0, 6.0, 7.0)));
        assertThrows(InvalidEntry.class, () -> TurnCount.of(List.of(3.0, 2.0, 1.0, 0.0, 5.0, 6.0)));
    }

    @Test
    void anEccentricIdlerAndASlowMotor_areBothNamed() {
        double platter = LP / 60 * 0.96;
        SpeedRead tone = tone(-4, List.of(new SpeedLine(platter * 214 / 38, 0.3, 1)), List.of(), false);
        Book book = new Book().add(idler()).add(tone);
        PlayerBench alone = bench(book);
        assertEquals(List.of("idler_flat"), named(alone), "a tone with the arm on says nothing of the motor yet");
        book.add(read(What.MOTOR, Load.FREE, 1438, 1380, 12)).add(read(What.PLATTER, Load.FREE, LP, 32, 12));
        PlayerBench both = bench(book);
        assertEquals(Set.of("idler_flat", "dry_bearings"), new HashSet<>(named(both)));
        assertTrue(stands(both, "PLAYER 33.33", Aspect.SPEED).orElseThrow().failed());
        assertTrue(stands(both, "MOTOR", Aspect.SOUND).orElseThrow().doubted());
        // Put right: what was read before speaks no longer.
        PlayerBench after = bench(book.add(new PlayerMended("dry_bearings", "oiled", "")));
        assertTrue(after.signs().isEmpty()
                && named(after).isEmpty()
                && after.observations().isEmpty());
        assertEquals(3, after.reads().size());
    }

    @Test
    void slipAndSag_areToldApart_byMotorAndPlatterReadTogether() {
        Book book = new Book()
                .add(idler())
                .add(read(What.PLATTER, Load.FREE, LP, LP, 12))
                .add(read(What.MOTOR, Load.FREE, 1438, 1438, 12))
                .add(read(What.PLATTER, Load.PLAYING, 33.3, 0.97 * LP, 12));
        assertTrue(bench(book).signs().get("slow_loaded"));
        assertFalse(bench(book).signs().get("slow_free"));
        Book slips = book.copy().add(read(What.MOTOR, Load.PLAYING, 1438, 1436, 12));
        assertTrue(bench(slips).signs().get("slip"));
        assertEquals(List.of("idler_slips"), named(bench(slips)));
        Book sags = book.copy().add(read(What.MOTOR, Load.PLAYING, 1438, 1396, 12));
        assertFalse(bench(sags).signs().get("slip"));
        assertFalse(named(bench(sags)).contains("idler_slips"));
    }

    @Test
    void aSlowToneWithTheArmOn_doesNotSayItIsSlowFree() {
        PlayerBench bench = bench(new Book().add(idler()).add(tone(-4, List.of(), List.of(), false)));
        assertFalse(bench.signs().containsKey("slow_free"));
        assertTrue(stands(bench, "PLAYER 33.33", Aspect.SPEED).orElseThrow().failed());
        assertEquals(List.of(), named(bench));
    }

    /** A platter and a record, both off their middle: turned half round, the record's share turns with it. */
    @Test
    void theRecordTurnedHalfRound_partsItsShareFromThePlatters() {
        double turn = 60 / LP;
        List<Double> marks = List.of(0.4, 0.4 + turn, 0.4 + 2 * turn);
        SpeedRead straight = tone(0, List.of(new SpeedLine(LP / 60, 0.30, 0.5)), marks, false);
        SpeedRead turned = tone(0, List.of(new SpeedLine(LP / 60, 0.30, 0.5 + Math.PI)), marks, true);
        HalfRound record = HalfRound.of(List.of(straight, turned)).orElseThrow();
        assertTrue(record.record() && !record.platter(), record.toString());
        assertEquals(0.30, record.recordPercent(), 0.01);
        SpeedRead stayed = tone(0, List.of(new SpeedLine(LP / 60, 0.30, 0.5)), marks, true);
        HalfRound platter = HalfRound.of(List.of(straight, stayed)).orElseThrow();
        assertTrue(platter.platter() && !platter.record(), platter.toString());
        Book book = new Book().add(idler()).add(straight).add(turned);
        assertEquals(List.of("hole"), named(bench(book)));
        assertFalse(
                named(bench(new Book().add(idler()).add(straight).add(stayed))).contains("hole"));
        // 0.3 % at 100 mm is 0.3 mm.
        NamedLine line = NamedLine.of(
                        straight.tone().orElseThrow(), Drive.of(idler()).turning(LP, LP, 60))
                .get(0);
        assertEquals(0.3, line.offsetMm(100).orElseThrow(), 0.01);
    }

    @Test
    void aLineThatTwoPartsMake_namesNeither() {
        SpeedRead.Tone tone = tone(0, List.of(new SpeedLine(3 * LP / 60, 0.2, 0)), List.of(), false)
                .tone()
                .orElseThrow();
        PlayerDescribed alike = new PlayerDescribed(
                "idler",
                Set.of(),
                Optional.empty(),
                Optional.empty(),
                Map.of(),
                Optional.of(71.0),
                Optional.of(214.0),
                Optional.empty(),
                Optional.empty());
        NamedLine line = NamedLine.of(tone, Drive.of(alike).turning(LP, LP, 60)).get(0);
        assertTrue(line.part().isEmpty() && line.may().size() == 2, line.toString());
    }

    @Test
    void answersSettleWhatTheyProve_andUnsureSettlesNothing() {
        Book book = new Book()
                .add(idler())
                .add(said("stylus_even", "yes"))
                .add(said("motor_insulated", "unsure"))
                .add(said("motor_runs_down", "2.5"));
        PlayerBench bench = bench(book);
        assertTrue(stands(bench, "STYLUS", Aspect.LOOKS).orElseThrow().sound());
        assertTrue(stands(bench, "MOTOR", Aspect.INSULATION).isEmpty());
        assertTrue(stands(bench, "MOTOR", Aspect.MOVES_FREE).orElseThrow().failed());
        assertTrue(bench.signs().get("motor_runs_down"));
        book.add(said("motor_runs_down", ""));
        assertFalse(bench(book).signs().containsKey("motor_runs_down"), "taken back");
        assertTrue(stands(bench(book), "MOTOR", Aspect.MOVES_FREE).isEmpty());
        assertThrows(InvalidEntry.class, () -> Question.of("motor_runs_down").kept("soon"));
        assertThrows(InvalidEntry.class, () -> Question.of("stylus_even").kept("maybe"));
    }

    /**
     * Each cause shows where somebody would look: with all it always makes found and nothing else wrong, it is named.
     */
    @Test
    void everyCauseIsNamed_whenItShowsAsItAlwaysOrMostlyDoes() {
        List<String> missed = new ArrayList<>();
        for (DriveKind kind : DriveKind.values()) {
            Set<String> has = Question.extras();
            for (Cause cause : Cause.of(kind)) {
                Map<String, Boolean> signs = new HashMap<>();
                for (Question question : Question.of(kind, has)) {
                    Cause.Shows shows = cause.signs().get(question.id());
                    if (shows == null) {
                        signs.put(question.id(), false);
                    } else if (shows != Cause.Shows.MAY) {
                        signs.put(question.id(), true);
                    }
                }
                PlayerRanking ranking = PlayerRanking.of(kind, has, signs);
                if (ranking.named().stream().noneMatch(s -> s.cause().equals(cause))) {
                    missed.add(kind + " " + cause.id());
                }
            }
        }
        assertEquals(List.of(), missed);
    }

    @Test
    void theTablesHoldTogether() {
        Set<String> questions = new HashSet<>();
        for (Question question : Question.all()) {
            assertTrue(questions.add(question.id()), question.id() + " twice");
            assertTrue(question.caution().isEmpty()
                    || !Cautions.of(question.caution()).text().isEmpty());
            assertTrue(question.asked() != question.ask().isEmpty(), question.id());
        }
        for (Cause cause : Cause.all()) {
            assertTrue(
                    questions.containsAll(cause.signs().keySet()),
                    cause.id() + " " + cause.signs().keySet());
            assertTrue(cause.caution().isEmpty()
                    || !Cautions.of(cause.caution()).text().isEmpty());
        }
    }

    /** Nothing found is nothing accused, and nothing looked for is no sign of anything. */
    @Test
    void nothingFound_accusesNobody() {
        for (DriveKind kind : DriveKind.values()) {
            assertTrue(PlayerRanking.of(kind, Set.of(), Map.of()).named().isEmpty());
            Map<String, Boolean> sound = new HashMap<>();
            Question.of(kind, Set.of()).forEach(q -> sound.put(q.id(), false));
            assertTrue(PlayerRanking.of(kind, Set.of(), sound).named().isEmpty());
        }
    }
}
