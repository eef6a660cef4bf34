package org.umberdial.server.practice;

import java.time.Instant;
import java.util.Optional;
import org.umberdial.core.practice.Level;
import org.umberdial.core.practice.Practice;

/**
 * A practice as it is kept.
 *
 * @param number that its set is made from
 * @param overAt empty while it goes on
 * @param bestMinutes what the best way took, once it is known and got there
 */
public record KeptPractice(
        String id,
        Level level,
        long number,
        String author,
        Instant begunAt,
        Optional<Instant> overAt,
        Optional<Double> bestMinutes,
        Practice practice) {}
