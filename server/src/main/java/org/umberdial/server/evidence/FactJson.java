package org.umberdial.server.evidence;

import java.lang.reflect.RecordComponent;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Consumer;
import org.umberdial.core.evidence.Fact;
import org.umberdial.core.evidence.Kind;
import org.umberdial.core.evidence.PartReplaced;
import org.umberdial.core.evidence.Unread;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/** Facts as JSON under their stored kind and form; older forms are brought to today's when they are read. */
public final class FactJson {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final int FIRST = 1;

    /**
     * What earlier forms left unsaid.
     *
     * @param since the first form that says it
     * @param says what it is taken as where it was not said
     */
    private record Later(int since, Consumer<ObjectNode> says) {}

    private static final Map<Kind, List<Later>> SAID_SINCE = Map.of(
            Kind.COLD_FIGURES, List.of(new Later(2, body -> body.put("whole", true))),
            Kind.PART_REPLACED,
                    List.of(
                            new Later(2, body -> body.put("standsIn", false)),
                            new Later(3, body -> body.put("old", PartReplaced.Old.OUT.name()))));

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
            List<Later> lacking = SAID_SINCE.getOrDefault(kind, List.of()).stream()
                    .filter(later -> stored.form() < later.since)
                    .toList();
            return lacking.isEmpty()
                    ? whole(JSON.readValue(stored.body(), kind.type()))
                    : completed(kind, lacking, stored.body());
        } catch (JacksonException | ClassCastException | NullPointerException broken) {
            throw new IllegalArgumentException("the entry's body cannot be read", broken);
        }
    }

    private static Fact completed(Kind kind, List<Later> lacking, String stored) {
        ObjectNode body = (ObjectNode) JSON.readTree(stored);
        lacking.forEach(later -> later.says.accept(body));
        return whole(JSON.treeToValue(body, kind.type()));
    }

    /**
     * A part that is missing would break whoever reads it later; only a figure may be unknown.
     *
     * @throws NullPointerException for the body {@code null}, or where a part is missing
     */
    private static Fact whole(Fact read) {
        for (RecordComponent part : read.getClass().getRecordComponents()) {
            try {
                if (!Number.class.isAssignableFrom(part.getType())) {
                    Objects.requireNonNull(part.getAccessor().invoke(read), part.getName());
                }
            } catch (ReflectiveOperationException hidden) {
                throw new IllegalArgumentException(part.getName() + " cannot be read", hidden);
            }
        }
        return read;
    }
}
