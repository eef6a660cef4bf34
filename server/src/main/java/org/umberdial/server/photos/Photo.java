package org.umberdial.server.photos;

import java.time.Instant;
import java.util.Optional;

/**
 * A picture of a set, without its bytes.
 *
 * @param page page of the document it was made from; 0 when it was a picture
 * @param width [px], as kept
 * @param shotAt when the camera says it was taken, or else the device that handed it over later
 * @param beforeId the picture this one is the "after" of
 * @param showsOwner whether it shows who the owner is (a face, a name, a house): erasing the owner erases it
 */
public record Photo(
        String id,
        Shows shows,
        String phase,
        String caption,
        String fileName,
        int page,
        int width,
        int height,
        Optional<Instant> shotAt,
        Instant receivedAt,
        String author,
        Optional<String> beforeId,
        boolean showsOwner,
        int version) {
    /** What a picture shows. */
    public enum Shows {
        /** The set itself. */
        SET,
        /** An untouched set of the same kind; never evidence about this one. */
        SISTER,
        /** Its schematic or sheet. */
        SHEET
    }
}
