package org.umberdial.server.bundle;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.umberdial.core.set.ConstructionClass;
import org.umberdial.core.set.Extra;
import org.umberdial.core.set.SupplyLabel;
import org.umberdial.core.set.ValueOrigin;
import org.umberdial.server.photos.Photo;

/**
 * What {@code set.json} of a bundle holds.
 *
 * @param format always {@code umber-dial-set}
 * @param version of the format; a newer one is refused
 * @param constructionSeen whether somebody confirmed the class at this set; null when the file does not say
 * @param origins parts whose values are as usually built or a relative's; null in a file of version 1
 * @param sheetOwn whether the sheet is the set's own; null in a file of version 1
 * @param paper which paper circuit and sheet were taken from; null in an older file
 * @param log the whole log in its order, readings among it; null in a file of version 1
 * @param journal the log of a file of version 1, whose readings are a table of their own; null since
 * @param runs ids of runs of first power, each in {@code runs/<id>.json}; empty in an older file
 * @param id of the set where it was first taken in; the same set is in a shop only once
 */
record BundleText(
        String format,
        int version,
        String id,
        String title,
        ConstructionClass construction,
        Boolean constructionSeen,
        Set<Extra> extras,
        String plate,
        SupplyLabel supply,
        String sheetOrigin,
        String paper,
        List<Point> points,
        List<Value> values,
        Map<String, ValueOrigin> origins,
        Boolean sheetOwn,
        List<Line> log,
        List<Entry> journal,
        List<Picture> pictures,
        List<Mark> marks,
        List<String> runs) {
    BundleText {
        runs = runs == null ? List.of() : List.copyOf(runs);
    }

    static final String FORMAT = "umber-dial-set";
    static final int VERSION = 2;

    record Point(String node, String name, String socket, String pin, String hint) {}

    record Value(String reference, ValueOrigin origin, double value, String source) {}

    /**
     * One entry of the log.
     *
     * @param body JSON of the fact, in the form of its kind
     */
    record Line(
            String id,
            String kind,
            int form,
            String body,
            Instant takenAt,
            String supersedes,
            boolean withdrawn,
            String author,
            String source,
            String note) {}

    /** @param fact JSON of the fact */
    record Entry(
            String id,
            String kind,
            String fact,
            Instant takenAt,
            String supersedes,
            boolean withdrawn,
            String author) {}

    record Picture(
            String id, String file, Photo.Shows shows, String phase, String caption, String fileName, String before) {}

    record Mark(String photo, String subject, double x, double y) {}
}
