package org.umberdial.server.map;

import java.util.List;
import org.springframework.stereotype.Service;
import org.umberdial.server.map.internal.MapTables;

/** Where parts and points of a set are on its pictures. */
@Service
public class MapService {
    /**
     * Where a part or point is on a picture.
     *
     * @param subject a part's reference or a point's node
     * @param x from the left edge, a fraction of the width
     * @param y from the upper edge, a fraction of the height
     */
    public record PlacedMark(String photo, String subject, double x, double y) {}

    private final MapTables tables;

    public MapService(MapTables tables) {
        this.tables = tables;
    }

    public List<PlacedMark> marks(String shopId, String setId) {
        return tables.all(shopId, setId);
    }

    /** Places or moves a mark. */
    public void put(String shopId, String setId, PlacedMark mark) {
        tables.put(shopId, setId, mark);
    }

    public void remove(String shopId, String setId, String photo, String subject) {
        tables.remove(shopId, setId, photo, subject);
    }
}
