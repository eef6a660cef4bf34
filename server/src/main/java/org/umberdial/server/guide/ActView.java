package org.umberdial.server.guide;

import java.util.List;
import java.util.Optional;
import org.umberdial.core.area.Act;
import org.umberdial.core.area.Plug;
import org.umberdial.core.guide.Guide;
import org.umberdial.server.setfile.OpenSet;

/**
 * An act as the screens show it: one and the same wherever a next act is shown.
 *
 * @param id of the area and of what it is
 * @param subject where its screen goes: a point, a part, a test; may be empty
 * @param minutes at the bench, rounded up; 0 when it takes hardly any
 * @param powered whether the plug is in for it
 * @param proves what it may settle, a word each
 */
public record ActView(
        String id,
        String area,
        String subject,
        String title,
        String why,
        int minutes,
        String plug,
        boolean powered,
        List<String> proves) {
    public static ActView of(Act act) {
        return new ActView(
                act.id(),
                act.area(),
                act.subject(),
                act.title(),
                act.why(),
                (int) Math.ceil(act.minutes()),
                act.plug().label(),
                act.plug() == Plug.IN,
                act.proves().stream().map(c -> c.aspect().label()).distinct().toList());
    }

    /** The one next act of a set. */
    public static Optional<ActView> next(OpenSet set) {
        return Guide.of(set.file()).next().map(ActView::of);
    }
}
