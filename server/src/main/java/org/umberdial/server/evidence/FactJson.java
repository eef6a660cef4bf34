package org.umberdial.server.evidence;

import java.util.Map;
import java.util.Objects;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.Kind;
import org.umberdial.core.evidence.Unread;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Facts as JSON under their stored kind and form; older forms are brought to today's when they are read. */
public final class FactJson {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int FIRST = 1;

    /** What form 1 left unsaid. */
    private static final Map<Kind, String> SAID_SINCE =
            Map.of(Kind.COLD_FIGURES, "whole", Kind.PART_REPLACED, "standsIn");

    private FactJson() {}

    /** A stored body with its kind and form. */
    public record Stored(String kind, int form, String body) {}

    /** As it is kept now; an entry that was never read goes back as it came. */
    public static Stored write(Fact fact) {
        if (fact instanceof Unread unread) {
            return new Stored(unread.kind(), unread.form(), unread.body());
        }
        Kind kind = Kind.of(fact);
        return new Stored(kind.stored(), kind.form(), JSON.writeValueAsString(fact));
    }

    /** The fact, or {@link Unread} when its kind, form or body is none of ours. */
    public static Fact read(Stored stored) {
        try {
            return require(stored);
        } catch (IllegalArgumentException | JacksonException strange) {
            return new Unread(stored.kind(), stored.form(), stored.body());
        }
    }

    /**
     * The fact.
     *
     * @throws IllegalArgumentException for a kind, form or body that is none of ours
     */
    public static Fact require(Stored stored) {
        Kind kind = Kind.of(stored.kind())
                .filter(known -> stored.form() >= FIRST && stored.form() <= known.form())
                .orElseThrow(() -> new IllegalArgumentException(
                        "no entry is called " + stored.kind() + " in form " + stored.form()));
        try {
            boolean lacking = stored.form() == FIRST && SAID_SINCE.containsKey(kind);
            return lacking ? completed(kind, stored.body()) : whole(JSON.readValue(stored.body(), kind.type()));
        } catch (JacksonException | ClassCastException | NullPointerException broken) {
            throw new IllegalArgumentException("the entry's body cannot be read", broken);
        }
    }

    private static Fact completed(Kind kind, String stored) {
        ObjectNode body = (ObjectNode) JSON.readTree(stored);
        body.put(SAID_SINCE.get(kind), kind == Kind.COLD_FIGURES);
        return JSON.treeToValue(body, kind.type());
    }

    /** @throws NullPointerException for the body {@code null} */
    private static Fact whole(Fact read) {
        return Objects.requireNonNull(read);
    }
}
