package org.umberdial.server.power;

import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.umberdial.server.power.internal.RunTables;

/** Who reads a run's instruments when there are several processes. */
class RunReaderTest {
    private final RunTables tables = mock(RunTables.class);
    private final RunService runs = mock(RunService.class);
    private final RunReader reader = new RunReader(tables, runs, mock(Switches.class), Clock.systemUTC(), true);

    @BeforeEach
    void oneRunGoesOn() {
        when(tables.readFromInstruments()).thenReturn(List.of(new RunTables.Going("shop", "run")));
        when(tables.run("shop", "run"))
                .thenReturn(Optional.of(new Run(
                        "run",
                        "set",
                        Run.State.RUNNING,
                        Run.Feed.INSTRUMENTS,
                        true,
                        0,
                        0,
                        Instant.EPOCH,
                        Optional.empty(),
                        "",
                        "somebody")));
    }

    @Test
    void aRunThatAnotherProcessReadsIsLeftAlone() {
        when(tables.lease(eq("shop"), eq("run"), anyString(), any(), any())).thenReturn(Optional.empty());
        reader.look();
        verify(runs, never()).plan(any(), any());
    }

    @Test
    void whoTakesOverFromAProcessThatIsGoneSaysSo() {
        when(tables.lease(eq("shop"), eq("run"), anyString(), any(), any()))
                .thenReturn(Optional.of("another"))
                .thenReturn(Optional.empty());
        reader.look();
        verify(runs, timeout(10_000)).lost(eq("shop"), eq("set"), eq("run"), eq("process"), contains("is gone"));
    }

    @Test
    void whoIsFirstSaysNothing() {
        when(tables.lease(eq("shop"), eq("run"), anyString(), any(), any()))
                .thenReturn(Optional.of(""))
                .thenReturn(Optional.empty());
        reader.look();
        verify(tables, timeout(10_000).atLeast(2)).lease(eq("shop"), eq("run"), anyString(), any(), any());
        verify(runs, never()).lost(any(), any(), any(), any(), any());
    }

    @Test
    void whatIsReadLosesItsPowerWhenTheProgramIsShutDown() {
        when(tables.lease(eq("shop"), eq("run"), anyString(), any(), any())).thenReturn(Optional.of(""));
        reader.look();
        reader.close();
        verify(runs).stop(any(), eq("set"), eq("run"), contains("shut down"));
    }
}
