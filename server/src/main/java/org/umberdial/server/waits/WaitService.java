package org.umberdial.server.waits;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Service;
import org.umberdial.core.evidence.Kind;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.mechanics.Task;
import org.umberdial.core.mechanics.Works;
import org.umberdial.core.reform.ReformRun;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.reform.ReformSeries;
import org.umberdial.server.reform.ReformService;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** What a shop's sets wait for by themselves until a time. */
@Service
public class WaitService {
    /** Refinished cabinets take a week; nothing dries for longer than this. */
    private static final Duration LONGEST = Duration.ofDays(60);

    /** A capacitor on its volts, and when somebody should look. */
    public record Forming(OpenSet set, ReformSeries series, ReformRun run, Instant again) {}

    private final ReformService reforming;
    private final EvidenceService evidence;
    private final SetFiles files;
    private final Clock clock;

    WaitService(ReformService reforming, EvidenceService evidence, SetFiles files, Clock clock) {
        this.reforming = reforming;
        this.evidence = evidence;
        this.files = files;
        this.clock = clock;
    }

    /** Capacitors that are being formed. */
    public List<Forming> forming(String shopId) {
        List<Forming> all = new ArrayList<>();
        for (String setId : reforming.running(shopId)) {
            OpenSet set = files.open(shopId, setId);
            reforming.runs(shopId, setId).stream()
                    .filter(series -> series.endedAt().isEmpty())
                    .forEach(series -> {
                        ReformRun run = reforming.judge(shopId, setId, series);
                        all.add(new Forming(set, series, run, again(series, run)));
                    });
        }
        return all;
    }

    private static Instant again(ReformSeries series, ReformRun run) {
        double last = series.samples().isEmpty()
                ? 0
                : series.samples().get(series.samples().size() - 1).seconds();
        return series.startedAt().plusMillis(Math.round(1000 * (last + run.readAgainSeconds())));
    }

    /** What was wetted, glued or painted and has not been looked at since. */
    public List<TimedWait> drying(String shopId) {
        Instant now = clock.instant();
        List<TimedWait> all = new ArrayList<>();
        for (String setId : evidence.setsWith(shopId, Kind.WORK_STEP, now.minus(LONGEST))) {
            OpenSet set = files.open(shopId, setId);
            FinishArea.works(set.file()).all().stream()
                    .filter(work -> work.state() == Works.State.DONE)
                    .forEach(work -> work.until()
                            .ifPresent(until -> all.add(new TimedWait(
                                    work.id(),
                                    setId,
                                    set.stored().label().title(),
                                    work.name(),
                                    work.task()
                                            .map(Task::check)
                                            .map(c -> "Look: " + c)
                                            .orElse("Look at it"),
                                    until,
                                    !now.isBefore(until)))));
        }
        all.sort(Comparator.comparing(TimedWait::until));
        return all;
    }

    /** Everything that has a time, the next first. */
    public List<TimedWait> timed(String shopId) {
        List<TimedWait> all = new ArrayList<>(drying(shopId));
        Instant now = clock.instant();
        forming(shopId)
                .forEach(one -> all.add(new TimedWait(
                        one.set().id() + "-" + one.series().part(),
                        one.set().id(),
                        one.set().stored().label().title(),
                        one.series().part() + " on its volts",
                        "Read it again: " + one.run().says(),
                        one.again(),
                        !now.isBefore(one.again()))));
        all.sort(Comparator.comparing(TimedWait::until));
        return all;
    }
}
