package org.umberdial.core.evidence;

import java.util.Locale;
import java.util.Optional;
import org.umberdial.core.policy.School;

/**
 * This set follows a school of its own.
 *
 * @param question what schools differ on
 * @param school the one it follows; empty when the house's holds again
 */
public record SchoolChosen(School.Question question, Optional<School> school) implements Fact {
    @Override
    public String subject() {
        return "";
    }

    @Override
    public String sentence() {
        return question.label() + ", for this set: "
                + school.map(School::label).orElse("as the house rules say").toLowerCase(Locale.ROOT);
    }
}
