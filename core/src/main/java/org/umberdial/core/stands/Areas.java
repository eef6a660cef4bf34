package org.umberdial.core.stands;

import java.util.List;
import org.umberdial.core.area.Area;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.arrival.ArrivalArea;
import org.umberdial.core.cold.ColdArea;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.finish.FinishArea;
import org.umberdial.core.parts.PartsArea;
import org.umberdial.core.power.PowerArea;
import org.umberdial.core.volts.VoltsArea;

/** The areas of the work, in working order: the one place an area is registered. */
public final class Areas {
    private static final List<Area> ALL = List.of(
            new ArrivalArea(), new ColdArea(), new PartsArea(), new PowerArea(), new VoltsArea(), new FinishArea());

    private Areas() {}

    public static List<Area> all() {
        return ALL;
    }

    /** The file of a set, with all areas at work on it. */
    public static SetFile open(SetFile.Contents contents) {
        return open(contents, AtlasSource.NONE);
    }

    /** The same; its suspects are weighed with the atlas of its circuit as soon as that stands. */
    public static SetFile open(SetFile.Contents contents, AtlasSource atlases) {
        SetFile file = new SetFile(contents, ALL);
        file.once(AtlasSource.class, () -> atlases);
        return file;
    }
}
