package org.umberdial.server.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.ArgumentMatchers.anyString;
import static org.mockito.ArgumentMatchers.contains;
import static org.mockito.ArgumentMatchers.eq;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.timeout;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.umberdial.server.power.internal.RunTables;

/** Who reads a run's instruments when there are several processes. */
class RunReaderTest {
    private final RunTables tables = mock(RunTables.class);
    private final RunService runs = mock(RunService.class);
    private final Switches switches = mock(Switches.class);
    private final Clock clock = mock(Clock.class);
    private final RunReader reader = new RunReader(tables, runs, switches, clock, true);

    @BeforeEach
    void oneRunGoesOn() {
        AtomicInteger seconds = new AtomicInteger();
        when(clock.instant()).then(call -> Instant.EPOCH.plusSeconds(seconds.getAndIncrement()));
        when(tables.readFromInstruments()).thenReturn(List.of(new RunTables.Going("shop", "run")));
        when(tables.run("shop", "run"))
                .thenReturn(Optional.of(new Run(
                        "run",
                        "set",
                        Run.State.RUNNING,
                        Run.Feed.INSTRUMENTS,
                        true,
                        "",
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

    @Test
    void whatBeganAMomentBeforeTheShutdownAndNobodyReadsYetLosesItsPowerToo() {
        when(tables.lease(eq("shop"), eq("run"), anyString(), any(), any())).thenReturn(Optional.of(""));
        reader.close();
        verify(runs).stop(any(), eq("set"), eq("run"), contains("shut down"));
    }

    @Test
    void whatAnotherProcessReadsKeepsItsPower() {
        when(tables.lease(eq("shop"), eq("run"), anyString(), any(), any())).thenReturn(Optional.empty());
        reader.close();
        verify(runs, never()).stop(any(), any(), any(), any());
    }

    @Test
    void aDatabaseThatStaysAwayTakesThePowerWithIt() throws IOException {
        try (ServerSocket supply = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            supply.setSoTimeout(30_000);
            Profile profile = new Profile(
                    "supply", "Supply", "", Map.of(), "", "", "OUTP ON", "OUTP OFF", "", "", "", "", "", "", "");
            when(switches.links("shop"))
                    .thenReturn(List.of(new Link("link", "Supply", "127.0.0.1", supply.getLocalPort(), profile)));
            when(tables.lease(eq("shop"), eq("run"), anyString(), any(), any()))
                    .thenReturn(Optional.of(""))
                    .thenThrow(new IllegalStateException("The database is away"));
            reader.look();
            try (Socket told = supply.accept()) {
                told.setSoTimeout(30_000);
                String line = new BufferedReader(
                                new InputStreamReader(told.getInputStream(), StandardCharsets.US_ASCII))
                        .readLine();
                assertEquals("OUTP OFF", line);
            }
        }
    }
}
