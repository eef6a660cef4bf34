package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.Semaphore;
import org.springframework.http.MediaType;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.alignment.ChassisLead;
import org.umberdial.core.evidence.SpeedRead;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.player.ToneReading;
import org.umberdial.core.sound.Heard;
import org.umberdial.core.sound.SoundFile;
import org.umberdial.core.sound.SpeedMeter;
import org.umberdial.core.sound.ToneSpeed;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.limits.Uploads;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** Speed from sound: a recording as it goes on, and one that is whole. */
@RestController
@RequestMapping("/api/sets/{setId}/player")
class SoundController {
    /** Where the sound comes from. */
    enum Source {
        MICROPHONE,
        LINE,
        FILE
    }

    /** @param level [dB] against full scale, @param says why there is no speed yet; empty when there is */
    record LiveView(
            double level,
            @Schema(nullable = true) Double heardHertz,
            @Schema(nullable = true) Double offPercent,
            @Schema(nullable = true) Double weightedPercent,
            List<Double> trace,
            String says) {}

    private static final int LARGEST = 96_000_000;
    private static final int LISTENING = 2;
    private static final int MOST_MARKS_TEXT = 4000;

    private final SetFiles files;
    private final EvidenceService evidence;
    private final Uploads uploads;
    private final LiveTakes takes;
    private final Clock clock;
    private final Semaphore listening = new Semaphore(LISTENING);

    SoundController(SetFiles files, EvidenceService evidence, Uploads uploads, LiveTakes takes, Clock clock) {
        this.clock = clock;
        this.files = files;
        this.evidence = evidence;
        this.uploads = uploads;
        this.takes = takes;
    }

    private OpenSet open(Caller caller, UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        PlayerController.requirePlayer(set);
        return set;
    }

    /** The next piece of a recording that goes on, 16-bit samples, low byte first; what the meter shows. */
    @PostMapping(path = "/takes/{takeId}/pieces", consumes = "audio/L16")
    LiveView piece(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID takeId,
            @RequestParam double hertz,
            @RequestParam double tone,
            @RequestParam long from,
            @RequestBody byte[] piece) {
        open(caller, setId);
        SpeedMeter.Now now = takes.take(caller, takeId, hertz, tone, from, piece);
        Optional<ToneSpeed> speed = now.speed();
        return new LiveView(
                now.level(),
                speed.map(ToneSpeed::meanHertz).orElse(null),
                speed.map(ToneSpeed::speedErrorPercent).orElse(null),
                speed.map(ToneSpeed::weightedPercent).orElse(null),
                speed.map(s -> Arrays.stream(s.trace()).boxed().toList()).orElse(List.of()),
                now.sentence());
    }

    /** The whole of a sound; its speed is kept as a reading. */
    @PostMapping(path = "/sounds/{id}", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    PlayerViews.PlayerView sound(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID id,
            @RequestParam double tone,
            @RequestParam double rpm,
            @RequestParam Source source,
            @RequestParam(required = false) Double minutes,
            @RequestParam(defaultValue = "") String marks,
            @RequestParam(defaultValue = "false") boolean halfRound,
            @RequestParam(required = false) Double grooveMm,
            HttpServletRequest request) {
        OpenSet set = open(caller, setId);
        requireIsolation(set, source);
        ToneReading reading = new ToneReading(
                sounding(set),
                rpm,
                Optional.ofNullable(minutes),
                seconds(marks),
                halfRound,
                Optional.ofNullable(grooveMm));
        return uploads.take(caller, request, LARGEST, "The sound", file -> {
            Heard heard = listen(file, tone);
            if (heard instanceof Heard.Refused refused) {
                throw new InvalidEntry(InvalidEntry.Code.CONFLICT, refused.sentence()).at("file");
            }
            evidence.keep(
                    caller,
                    set.id(),
                    id.toString(),
                    reading.read(heard.measured().orElseThrow()),
                    clock.instant(),
                    source.name().toLowerCase(Locale.ROOT),
                    "");
            return PlayerViews.of(files.open(caller.shopId(), setId.toString()), clock.instant());
        });
    }

    /** A lead from a live chassis puts line voltage on the computer: what was measured opens this, and no words. */
    private void requireIsolation(OpenSet set, Source source) {
        if (source == Source.LINE) {
            ChassisLead.bars(set.file(), clock.instant()).ifPresent(bars -> {
                throw new Problem(Problem.Kind.INVALID_ENTRY, bars);
            });
        }
    }

    private static SpeedRead.What sounding(OpenSet set) {
        return FinishArea.player(set.file())
                .drive()
                .filter(drive -> !drive.kind().turnsRecords())
                .map(drive -> SpeedRead.What.TAPE)
                .orElse(SpeedRead.What.PLATTER);
    }

    /** A few at once: each holds what it follows in memory. */
    private Heard listen(Path file, double tone) {
        listening.acquireUninterruptibly();
        try (InputStream in = Files.newInputStream(file)) {
            return SoundFile.follow(in, tone);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            listening.release();
        }
    }

    private static List<Double> seconds(String marks) {
        if (marks.isBlank()) {
            return List.of();
        }
        try {
            if (marks.length() <= MOST_MARKS_TEXT) {
                return Arrays.stream(marks.split(",")).map(Double::valueOf).toList();
            }
        } catch (NumberFormatException notANumber) {
            // Said below.
        }
        throw new InvalidEntry(
                        InvalidEntry.Code.SYNTAX, "The marks are seconds with commas between, as in 1.42,3.22,5.02.")
                .at("marks");
    }
}
