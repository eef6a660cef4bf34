package org.umberdial.server.finish.internal;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.util.UUID;
import org.springframework.stereotype.Component;
import org.umberdial.core.sound.SpeedMeter;
import org.umberdial.core.sound.ToneTracker;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/**
 * Recordings that are going on, so that their meter can show. They live in this process only and end with it: the
 * screen keeps the sound itself and sends it whole when it is over.
 */
@Component
class LiveTakes {
    private static final int MOST = 24;
    private static final Duration FORGOTTEN_AFTER = Duration.ofSeconds(30);
    private static final double MOST_SECONDS = 900;

    private record Key(String shop, String account, UUID take) {}

    private static final class Take {
        private final ToneTracker tracker;
        private long taken;

        Take(ToneTracker tracker) {
            this.tracker = tracker;
        }
    }

    private final Cache<Key, Take> takes = Caffeine.newBuilder()
            .maximumSize(MOST)
            .expireAfterAccess(FORGOTTEN_AFTER)
            .build();

    /**
     * Takes the next piece of a recording; the first begins it.
     *
     * @param from how many samples came before
     * @param piece 16-bit samples, the low byte first
     */
    SpeedMeter.Now take(Caller caller, UUID id, double hertz, double tone, long from, byte[] piece) {
        if (!(hertz >= 8000 && hertz <= 200_000)) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "Sound of " + hertz + " samples a second cannot be followed; record with 44100 or 48000.")
                    .at("hertz");
        }
        Key key = new Key(caller.shopId(), caller.accountId(), id);
        Take take = takes.get(key, k -> from == 0 ? new Take(SpeedMeter.tracker(hertz, tone)) : null);
        if (take == null) {
            throw Problem.notFound("The beginning of this recording");
        }
        synchronized (take) {
            if (from != take.taken) {
                throw new InvalidEntry(
                                InvalidEntry.Code.SYNTAX,
                                "A piece of the recording is missing: " + take.taken
                                        + " samples came, this one begins at " + from + ".")
                        .at("from");
            }
            if (take.tracker.seconds() > MOST_SECONDS) {
                throw new InvalidEntry(
                                InvalidEntry.Code.OUT_OF_RANGE, "A quarter of an hour is enough: end the recording.")
                        .at("from");
            }
            float[] samples = new float[piece.length / 2];
            for (int i = 0; i < samples.length; i++) {
                samples[i] = (short) (piece[2 * i] & 0xff | piece[2 * i + 1] << 8) / 32768f;
            }
            take.tracker.take(samples);
            take.taken += samples.length;
            return SpeedMeter.now(take.tracker);
        }
    }
}
