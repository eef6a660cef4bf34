package org.umberdial.server.journal;

import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.umberdial.core.journal.Fact;
import tools.jackson.databind.json.JsonMapper;

/** Facts of the journal as JSON: the simple name of the fact's class is its kind, its components are the members. */
public final class FactJson {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Map<String, Class<?>> KINDS = Stream.of(Fact.class.getPermittedSubclasses())
            .collect(Collectors.toMap(Class::getSimpleName, Function.identity()));

    private FactJson() {}

    public static String kind(Fact fact) {
        return fact.getClass().getSimpleName();
    }

    public static String write(Fact fact) {
        return JSON.writeValueAsString(fact);
    }

    /** @throws IllegalArgumentException for a kind or a body that is none of ours */
    public static Fact read(String kind, String body) {
        Class<?> type = KINDS.get(kind);
        if (type == null) {
            throw new IllegalArgumentException("no fact is called " + kind);
        }
        return (Fact) JSON.readValue(body, type);
    }
}
