package org.umberdial.core.evidence;

import java.util.Map;
import java.util.TreeMap;

/**
 * A check made while the set has limited power.
 *
 * @param check id of the check: {@code chassis}
 * @param figures what was read, SI, by the key of its cell
 * @param answers what was chosen, by the key of its cell
 * @param note in the writer's words; may be empty
 */
public record PowerChecked(String check, Map<String, Double> figures, Map<String, String> answers, String note)
        implements Fact {
    public PowerChecked {
        figures = Map.copyOf(figures);
        answers = Map.copyOf(answers);
    }

    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return "Checked under limited power, " + check + ": " + new TreeMap<>(figures)
                + (answers.isEmpty() ? "" : " " + new TreeMap<>(answers))
                + (note.isEmpty() ? "" : "; " + note);
    }
}
