package org.umberdial.core.evidence;

import java.util.Optional;

/**
 * An area of the inspection was looked at.
 *
 * @param area name of the area
 * @param finding id of the row that was found; empty when the area is fine
 * @param found what was found, in words; empty when the area is fine
 * @param part reference of the part it marks; may be empty
 * @param note in the finder's words; may be empty
 */
public record Looked(String area, String finding, String found, String part, String note, Optional<Spot> spot)
        implements Fact {
    @Override
    public String subject() {
        return part.isEmpty() ? area : part;
    }

    @Override
    public String sentence() {
        return Character.toUpperCase(area.charAt(0)) + area.substring(1) + ": "
                + (finding.isEmpty() ? "nothing wrong seen" : found) + (part.isEmpty() ? "" : " (" + part + ")")
                + (note.isEmpty() ? "" : "; " + note);
    }
}
