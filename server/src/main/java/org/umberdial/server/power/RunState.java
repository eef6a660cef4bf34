package org.umberdial.server.power;

import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import java.util.Locale;
import org.umberdial.core.power.RunWatch;

/**
 * How a run stands, as a screen shows it.
 *
 * @param seconds since it began, {@code stepAt} when its step did
 * @param holds why one may not go on yet; empty when one may
 * @param unexplained amperes through the filter that the stages do not take
 * @param drift how the first supply point has gone since it was warm, a sentence; empty before that
 * @param fall how its supply points fall since the power is off, sentences; before that when they would be empty
 * @param controlled whether the supply can be switched from here
 * @param speed seconds of the run in one of the clock's
 */
public record RunState(
        Run.State state,
        int step,
        double seconds,
        double stepAt,
        boolean mayAdvance,
        String holds,
        List<String> outside,
        @Schema(nullable = true) Double unexplained,
        String drift,
        List<String> fall,
        boolean controlled,
        String ending,
        double speed) {
    public static RunState of(RunService runs, String shopId, RunService.Standing standing) {
        return new RunState(
                standing.run().state(),
                standing.run().step(),
                standing.seconds(),
                standing.stepAt(),
                standing.state().mayAdvance(),
                standing.state().holds(),
                standing.state().outside().stream().sorted().toList(),
                standing.state().unexplained().isPresent()
                        ? Double.valueOf(standing.state().unexplained().getAsDouble())
                        : null,
                standing.state().drift().map(RunState::says).orElse(""),
                standing.fall(),
                runs.canSwitch(shopId, standing.run()),
                standing.run().ending(),
                runs.speed());
    }

    private static String says(RunWatch.Drift drift) {
        return String.format(
                Locale.ROOT,
                "%s %+.1f %% since it was warm, in %d:%02d.",
                drift.what(),
                100 * drift.share(),
                (int) drift.seconds() / 60,
                (int) drift.seconds() % 60);
    }
}
