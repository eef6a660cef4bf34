package org.umberdial.core.mechanics;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.umberdial.core.policy.School;
import org.umberdial.core.value.CsvTable;
import org.umberdial.core.value.InvalidEntry;

/**
 * A task on mechanics or looks, as the shipped table has it.
 *
 * @param group under what it is found
 * @param steps one act each
 * @param before what is written down or photographed first
 * @param hours how long it dries or cures afterwards, usually [h]
 * @param check what is right when it is looked at
 * @param caution id of the caution that belongs to it; may be empty
 * @param needs ids of the tasks that come first where they are planned
 * @param materials what is touched: the table of agents says with what
 * @param bars whether power waits until somebody has said that it is dry
 * @param school whose way it is; empty for every one's
 * @param player whether only a player has it
 */
public record Task(
        String id,
        String group,
        String part,
        String task,
        List<String> steps,
        String before,
        String tools,
        double minutes,
        double hours,
        String check,
        String caution,
        List<String> needs,
        List<String> materials,
        boolean bars,
        Optional<School> school,
        boolean player) {
    private static final List<Task> ALL =
            CsvTable.rows(Task.class, "tasks.csv").stream().map(Task::row).toList();

    public Task {
        steps = List.copyOf(steps);
        needs = List.copyOf(needs);
        materials = List.copyOf(materials);
    }

    /** Every task that ships. */
    public static List<Task> all() {
        return ALL;
    }

    /** A task by its id; empty when there is none, as in a file of a newer version. */
    public static Optional<Task> known(String id) {
        return ALL.stream().filter(task -> task.id.equals(id)).findFirst();
    }

    /** @throws InvalidEntry when there is none */
    public static Task of(String id) {
        return known(id)
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN, "There is no task “" + id + "”: choose one of the list.")
                        .at("task"));
    }

    private static Task row(Map<String, String> cells) {
        return new Task(
                cells.get("id"),
                cells.get("group"),
                cells.get("part"),
                cells.get("task"),
                list(cells.get("steps")),
                cells.get("before"),
                cells.get("tools"),
                Double.parseDouble(cells.get("minutes")),
                Double.parseDouble(cells.get("hours")),
                cells.get("check"),
                cells.get("caution"),
                list(cells.get("needs")),
                list(cells.get("materials")),
                cells.get("bars").equals("yes"),
                cells.get("school").isEmpty() ? Optional.empty() : Optional.of(School.valueOf(cells.get("school"))),
                cells.get("applies").equals("player"));
    }

    private static List<String> list(String cell) {
        return cell.isEmpty() ? List.of() : List.of(cell.split("\\|"));
    }

    /** Part and task as a title. */
    public String title() {
        return part.substring(0, 1).toUpperCase(Locale.ROOT) + part.substring(1) + ": " + task;
    }
}
