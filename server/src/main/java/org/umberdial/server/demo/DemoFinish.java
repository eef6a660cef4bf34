package org.umberdial.server.demo;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;
import org.umberdial.core.evidence.Aligned;
import org.umberdial.core.evidence.BandSaid;
import org.umberdial.core.evidence.DialRead;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.GearSaid;
import org.umberdial.core.evidence.PlayerAnswered;
import org.umberdial.core.evidence.PlayerDescribed;
import org.umberdial.core.evidence.ReceiverSaid;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.evidence.WorkPlanned;
import org.umberdial.core.evidence.WorkStep;
import org.umberdial.core.mechanics.Task;
import org.umberdial.core.player.Question;
import org.umberdial.core.player.ToneReading;
import org.umberdial.core.sound.SimulatedPlayer;
import org.umberdial.core.sound.SpeedLine;
import org.umberdial.core.sound.SpeedMeter;
import org.umberdial.core.tuning.Band;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.security.Caller;

/** The demo's record player, whose idler has a flat that one hears, and work and a dial of another set. */
@Component
@ConditionalOnProperty("umber.demo")
class DemoFinish {
    private static final double LP = 33.33;
    private static final double RIM = 176;
    private static final double IDLER = 34;
    private static final double OFF_PERCENT = -0.4;

    /** The receiver that the stand-in is, and the demo’s tall set. */
    static final ReceiverSaid GRAND_RECEIVER = new ReceiverSaid(
            ReceiverSaid.Kind.SUPERHET, 2, 2, ReceiverSaid.Detector.RATIO, Set.of(ReceiverSaid.Has.TRAP));

    static final List<Band> GRAND_BANDS = List.of(
            new Band(new BandSaid("MW", 520, 1620, 460, true)),
            new Band(new BandSaid("FM", 87_500, 100_000, 10_700, true)));

    private final EvidenceService evidence;

    DemoFinish(EvidenceService evidence) {
        this.evidence = evidence;
    }

    void fill(Caller caller) {
        List<Fact> facts = List.of(
                new PlayerDescribed(
                        "idler",
                        Set.of("lift"),
                        Optional.of(1420.0),
                        Optional.of(60.0),
                        Map.of("33.33", 4.13, "45", 5.58, "78.26", 9.7),
                        Optional.of(IDLER),
                        Optional.of(RIM),
                        Optional.empty(),
                        Optional.empty()),
                strobe(LP, 33.36, 11),
                strobe(45, 45.1, 12),
                said("stylus_even", "yes"),
                said("motor_runs_down", "6.5"),
                said("load_right", "yes"),
                tone());
        for (int i = 0; i < facts.size(); i++) {
            evidence.keep(
                    caller,
                    DemoShop.PLAYER,
                    DemoShop.entry(900 + i),
                    facts.get(i),
                    Optional.of(Instant.parse("2026-03-12T14:00:00Z").plusSeconds(180L * i)));
        }
    }

    /** Work on another set: one piece done and wet, one that waits for another, one that can be done. */
    void works(Caller caller, String set) {
        String glass = "dial-glass-take-out-and-clean";
        keep(
                caller,
                set,
                940,
                planned("volume-control-clean-and-lubricate", "tone and volume"),
                "2026-03-12T15:00:00Z");
        keep(caller, set, 941, planned("dial-cord-fix-pointer", ""), "2026-03-12T15:01:00Z");
        keep(caller, set, 942, planned(glass, ""), "2026-03-12T15:02:00Z");
        keep(caller, set, 943, planned("cone-patch-tear", ""), "2026-03-12T15:03:00Z");
        Task cone = Task.of("cone-patch-tear");
        keep(
                caller,
                set,
                944,
                new WorkStep(
                        DemoShop.entry(943),
                        cone.title(),
                        WorkStep.Phase.DONE,
                        "tissue and thinned white glue",
                        cone.hours(),
                        "tear at four o’clock, 12 mm"),
                "2026-03-12T16:10:00Z");
    }

    /** A dial that is right at its high end and runs away towards the low one. */
    void dial(Caller caller, String set) {
        keep(caller, set, 960, new BandSaid("MW", 530, 1605, 455, true), "2026-03-12T17:00:00Z");
        double[][] read = {{580, 597}, {760, 774}, {1010, 1017}, {1260, 1263}, {1530, 1531}};
        for (int i = 0; i < read.length; i++) {
            keep(
                    caller,
                    set,
                    961 + i,
                    new DialRead("MW", read[i][0], read[i][1], "generator"),
                    "2026-03-12T17:1" + i + ":00Z");
        }
    }

    /** A set with FM that waits for its alignment. */
    void receiver(Caller caller, String set) {
        for (int i = 0; i < GRAND_BANDS.size(); i++) {
            keep(caller, set, 980 + i, GRAND_BANDS.get(i).said(), "2026-03-13T09:0" + i + ":00Z");
        }
        keep(caller, set, 985, GRAND_RECEIVER, "2026-03-13T09:05:00Z");
        keep(
                caller,
                set,
                986,
                new GearSaid(GearSaid.Generator.AM_FM, GearSaid.Meter.OUTPUT, true),
                "2026-03-13T09:06:00Z");
        keep(
                caller,
                set,
                987,
                aligned(
                        "warm",
                        "Warm up and write down where every core stands",
                        "cores written on the can, wax whole"),
                "2026-03-13T09:30:00Z");
        keep(
                caller,
                set,
                988,
                aligned("pointer", "Close the gang and set the pointer on the scale’s end mark", "was 3 mm low"),
                "2026-03-13T09:34:00Z");
    }

    private static Aligned aligned(String step, String title, String note) {
        return new Aligned(step, title, Optional.empty(), Optional.empty(), "", note);
    }

    private static WorkPlanned planned(String task, String about) {
        return new WorkPlanned(task, Task.of(task).title(), about);
    }

    private void keep(Caller caller, String set, int number, Fact fact, String at) {
        evidence.keep(caller, set, DemoShop.entry(number), fact, Optional.of(Instant.parse(at)));
    }

    private static SpeedRead strobe(double rpm, double measured, double minutes) {
        return new SpeedRead(
                SpeedRead.How.STROBE,
                SpeedRead.What.PLATTER,
                rpm,
                measured,
                0.05,
                SpeedRead.Load.FREE,
                Optional.of(minutes),
                Optional.empty());
    }

    private static PlayerAnswered said(String question, String answer) {
        Question asked = Question.of(question);
        return new PlayerAnswered(asked.id(), asked.ask(), asked.kept(answer), "");
    }

    /** Half a minute of a test record, by a stand-in for the player. */
    private static SpeedRead tone() {
        double turns = LP / 60 * (1 + OFF_PERCENT / 100);
        double idler = turns * RIM / IDLER;
        SimulatedPlayer player = new SimulatedPlayer(
                3150,
                OFF_PERCENT,
                0.05,
                List.of(
                        new SpeedLine(idler, 0.48, 0.4),
                        new SpeedLine(2 * idler, 0.16, 2),
                        new SpeedLine(turns, 0.19, 1.1),
                        new SpeedLine(turns * RIM / 4.13, 0.04, 0)),
                -34,
                -36,
                60,
                9,
                11);
        return new ToneReading(SpeedRead.What.PLATTER, LP, Optional.of(15.0), List.of(), false, Optional.of(118.0))
                .read(SpeedMeter.of(player.play(44100, 40), 3150).measured().orElseThrow());
    }
}
