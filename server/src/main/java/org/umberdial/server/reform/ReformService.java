package org.umberdial.server.reform;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.evidence.Measured;
import org.umberdial.core.evidence.PartRead;
import org.umberdial.core.evidence.Placing;
import org.umberdial.core.evidence.Sign;
import org.umberdial.core.parts.CapacitorKind;
import org.umberdial.core.reform.ReformRun;
import org.umberdial.core.reform.ReformSample;
import org.umberdial.core.reform.ReformSetup;
import org.umberdial.core.set.Part;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.reform.internal.SeriesTables;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** Runs of a set's electrolytics; several at once, each goes on over restarts. */
@Service
public class ReformService {
    private static final double MOST_SHUNT_VOLTS = 100;
    private static final double OVER = 1.1;
    private static final int MOST_SAMPLES = 20_000;

    private final SeriesTables tables;
    private final SetFiles files;
    private final EvidenceService evidence;
    private final Clock clock;

    public ReformService(SeriesTables tables, SetFiles files, EvidenceService evidence, Clock clock) {
        this.tables = tables;
        this.files = files;
        this.evidence = evidence;
        this.clock = clock;
    }

    /**
     * A set's runs, the latest first.
     *
     * @throws Problem when the shop has no such set
     */
    public List<ReformSeries> runs(String shopId, String setId) {
        files.open(shopId, setId);
        return tables.of(shopId, setId);
    }

    /** Sets of a shop of which a run goes on. */
    public List<String> running(String shopId) {
        return tables.running(shopId);
    }

    /**
     * What a bench would take for a part.
     *
     * @throws InvalidEntry when it is no electrolytic, or has no value or no volts
     */
    public ReformSetup usual(String shopId, String setId, String reference) {
        Part part = electrolytic(shopId, setId, reference);
        double volts = part.ratingVolts()
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.EMPTY,
                                reference + " has no volts in the circuit; write its rating there first.")
                        .at("part"));
        return ReformSetup.usual(part.workingValue().orElseThrow(), volts);
    }

    private Part electrolytic(String shopId, String setId, String reference) {
        OpenSet set = files.open(shopId, setId);
        Part part = set.set().part(reference).orElseThrow(() -> Problem.notFound("This part"));
        if (part.card().letter() != 'C'
                || CapacitorKind.of(part.card()) != CapacitorKind.ELECTROLYTIC
                || part.workingValue().isEmpty()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.SYNTAX,
                            "Only an electrolytic whose value is known is formed; " + reference + " is none.")
                    .at("part");
        }
        return part;
    }

    /** Begins a run; the same id again changes nothing. */
    @Transactional
    public void start(Caller caller, String setId, String id, String reference, ReformSetup setup) {
        Part part = electrolytic(caller.shopId(), setId, reference);
        if (part.ratingVolts()
                .filter(rated -> setup.supplyVolts() > rated * OVER)
                .isPresent()) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            reference + " is marked "
                                    + Math.round(part.ratingVolts().get()) + " V; the supply gives no more than that.")
                    .at("supplyVolts");
        }
        boolean there = tables.of(caller.shopId(), setId).stream()
                .anyMatch(run -> !run.id().equals(id)
                        && run.part().equals(reference)
                        && run.endedAt().isEmpty());
        if (there) {
            throw new InvalidEntry(
                            InvalidEntry.Code.AMBIGUOUS, reference + " is being formed already; end that run first.")
                    .at("part");
        }
        tables.start(
                caller.shopId(),
                setId,
                new ReformSeries(
                        id, reference, setup, clock.instant(), Optional.empty(), "", caller.author(), List.of()));
    }

    /** Adds a sample; one of the same moment with the same figures again changes nothing. */
    @Transactional
    public void add(
            Caller caller, String setId, String id, double volts, double shuntVolts, Optional<Instant> takenAt) {
        tables.lock(caller.shopId(), id);
        ReformSeries run = run(caller.shopId(), setId, id);
        if (run.endedAt().isPresent()) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "This run has ended; begin another.");
        }
        if (!(volts >= 0 && volts <= OVER * run.setup().supplyVolts())) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Across it stand 0 to " + Math.round(run.setup().supplyVolts())
                                    + " V, as the supply gives; check the figure and the leads.")
                    .at("volts");
        }
        if (!(shuntVolts >= 0 && shuntVolts <= MOST_SHUNT_VOLTS)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Across the shunt stand 0 to 100 V, without a sign; type millivolts.")
                    .at("millivolts");
        }
        if (run.samples().size() >= MOST_SAMPLES) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A run holds " + MOST_SAMPLES + " samples; end it.");
        }
        Instant now = clock.instant();
        Instant at = takenAt.filter(t -> !t.isBefore(run.startedAt()) && !t.isAfter(now))
                .orElse(now);
        double seconds = Duration.between(run.startedAt(), at).toMillis() / 1000.0;
        ReformSample sample = new ReformSample(seconds, volts, shuntVolts);
        double last = run.samples().isEmpty()
                ? -1
                : run.samples().get(run.samples().size() - 1).seconds();
        // One that comes late, out of a browser that waited, keeps the order by standing where it arrives.
        if (!run.samples().contains(sample)) {
            tables.add(caller.shopId(), id, new ReformSample(Math.max(last, seconds), volts, shuntVolts));
        }
    }

    /** Ends a run; what its last sample says becomes a reading of the part. The same again changes nothing. */
    @Transactional
    public void end(Caller caller, String setId, String id, String entryId, String why) {
        tables.lock(caller.shopId(), id);
        ReformSeries run = run(caller.shopId(), setId, id);
        if (!tables.end(caller.shopId(), id, clock.instant(), why)
                || run.samples().isEmpty()) {
            return;
        }
        ReformSample last = run.samples().get(run.samples().size() - 1);
        if (last.volts() < 1) {
            return;
        }
        ReformRun.State state = judge(caller.shopId(), setId, run).state();
        Map<Measured, Double> figures = new EnumMap<>(Measured.class);
        figures.put(Measured.LEAK_AMPERES, last.shuntVolts() / run.setup().shuntOhms());
        figures.put(Measured.TEST_VOLTS, last.volts());
        Set<Sign> signs = EnumSet.of(Sign.FORMED);
        if (state == ReformRun.State.GOING_ON || state == ReformRun.State.USABLE) {
            signs.add(Sign.FALLING);
        }
        evidence.keep(
                caller, setId, entryId, new PartRead(run.part(), figures, signs, Placing.LIFTED, ""), Optional.empty());
    }

    /** What a run comes to by the house's rules. */
    public ReformRun judge(String shopId, String setId, ReformSeries run) {
        return ReformRun.of(
                run.setup(), run.samples(), files.open(shopId, setId).policy());
    }

    private ReformSeries run(String shopId, String setId, String id) {
        return tables.of(shopId, setId).stream()
                .filter(one -> one.id().equals(id))
                .findFirst()
                .orElseThrow(() -> Problem.notFound("This run"));
    }
}
