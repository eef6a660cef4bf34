package org.umberdial.core.role;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.umberdial.core.value.CsvTable;

/** What happens when a part of a role fails: trade knowledge, for where the engine does not say it better. */
public final class RoleLibrary {
    /** When it has to be settled. */
    public enum Urgency {
        BEFORE_FIRST_POWER,
        SOON,
        COSMETIC
    }

    /**
     * One failure of one role.
     *
     * @param failure {@code leaky}, {@code open}, {@code dried}, {@code drifted_high}, ...
     * @param effects what moves, as {@code screen:down}
     * @param heard what is heard or seen, in words
     * @param tellApart how it differs from what looks like it
     * @param confirmBy the test that proves it
     * @param danger what it may do if it is left, a word each; {@code none} when nothing
     */
    public record Failure(
            String role,
            String failure,
            List<String> effects,
            String heard,
            String why,
            String tellApart,
            String confirmBy,
            List<String> danger,
            Urgency urgency) {
        /** Whether a direct voltage somewhere moves by it. */
        public boolean movesVolts() {
            return effects.stream()
                    .anyMatch(effect -> effect.matches(
                            "(?:plate|screen|cathode|next_\\w+|B1|B2|local_rail|plates_on_it|grid|output_\\w+|minus_node|avc_\\w+)"
                                    + ":(?:up|down|zero|less_negative|more_negative|swings)\\w*"));
        }
    }

    private static final Map<NetworkRole, List<Failure>> BY_ROLE = byRole();

    private RoleLibrary() {}

    /** Roles that are in no network, such as the cord, are left out here. */
    private static Map<NetworkRole, List<Failure>> byRole() {
        Map<NetworkRole, List<Failure>> roles = new EnumMap<>(NetworkRole.class);
        Stream.of("roles.csv", "roles-more.csv")
                .flatMap(name -> CsvTable.rows(RoleLibrary.class, name).stream())
                .map(RoleLibrary::row)
                .forEach(failure -> NetworkRole.of(failure.role)
                        .ifPresent(role -> roles.computeIfAbsent(role, r -> new ArrayList<>())
                                .add(failure)));
        return roles;
    }

    private static Failure row(Map<String, String> cells) {
        return new Failure(
                cells.get("role"),
                cells.get("failure"),
                List.of(cells.get("electrical_effect").split("\\|")),
                cells.get("audible_or_visible_effect"),
                cells.get("why"),
                cells.get("tell_apart"),
                cells.get("confirm_by"),
                List.of(cells.get("danger").split("\\|")),
                switch (cells.get("urgency")) {
                    case "before_first_power" -> Urgency.BEFORE_FIRST_POWER;
                    case "cosmetic" -> Urgency.COSMETIC;
                    default -> Urgency.SOON;
                });
    }

    /** Every failure of a role. */
    public static List<Failure> of(NetworkRole role) {
        return BY_ROLE.getOrDefault(role, List.of());
    }

    /** One failure of a role; empty when the library has none of that name. */
    public static Optional<Failure> of(NetworkRole role, String failure) {
        return of(role).stream().filter(one -> one.failure.equals(failure)).findFirst();
    }
}
