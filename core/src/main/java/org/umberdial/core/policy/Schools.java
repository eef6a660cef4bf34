package org.umberdial.core.policy;

import java.util.Arrays;
import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Collectors;

/** The schools a shop follows: one to each question. */
public final class Schools {
    private final Map<School.Question, School> chosen = new EnumMap<>(School.Question.class);

    private Schools() {
        for (School.Question question : School.Question.values()) {
            chosen.put(question, question.schools().get(0));
        }
    }

    /** What a new shop starts with. */
    public static Schools usual() {
        return new Schools();
    }

    /** The same with another school for its question. */
    public Schools with(School school) {
        Schools other = new Schools();
        other.chosen.putAll(chosen);
        other.chosen.put(school.question(), school);
        return other;
    }

    public School of(School.Question question) {
        return chosen.get(question);
    }

    /** The school of every question. */
    public Map<School.Question, School> all() {
        return Collections.unmodifiableMap(chosen);
    }

    public boolean follow(School school) {
        return chosen.get(school.question()) == school;
    }

    /** As it is stored: names with commas between. */
    public String stored() {
        return chosen.values().stream().map(School::name).collect(Collectors.joining(","));
    }

    /** From what was stored; a name nobody knows any more leaves its question at the usual. */
    public static Schools read(String stored) {
        Schools schools = usual();
        for (String name : Arrays.asList(stored.split(","))) {
            schools = School.named(name).map(schools::with).orElse(schools);
        }
        return schools;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Schools schools && schools.chosen.equals(chosen);
    }

    @Override
    public int hashCode() {
        return Objects.hash(chosen);
    }

    @Override
    public String toString() {
        return stored();
    }
}
