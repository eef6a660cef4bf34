package org.umberdial.server.tubes;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.tube.OwnTube;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.tube.TubeModels;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Sha256;
import org.umberdial.server.tubes.internal.TubeTables;

/** The tube types each shop goes by: what ships, and its own, which come first. */
@Service
public class TubeService {
    private static final Logger LOG = LoggerFactory.getLogger(TubeService.class);
    private static final int MOST_TYPES = 500;
    private static final int MOST_SHOPS = 50;
    private static final int SEEN_LENGTH = 16;

    private record Held(List<String> bodies, TubeModels models) {}

    private final TubeTables tables;
    private final Cache<String, Held> held =
            Caffeine.newBuilder().maximumSize(MOST_SHOPS).build();

    public TubeService(TubeTables tables) {
        this.tables = tables;
    }

    /** The laws and names a shop's circuits are understood by. */
    public TubeModels models(String shopId) {
        List<String> bodies = tables.bodies(shopId);
        if (bodies.isEmpty()) {
            return TubeModels.shipped();
        }
        Held before = held.getIfPresent(shopId);
        if (before != null && before.bodies.equals(bodies)) {
            return before.models;
        }
        TubeModels models = new TubeModels(TubeData.shipped().with(read(bodies)));
        held.put(shopId, new Held(bodies, models));
        return models;
    }

    /** The types the shop brought itself, by name. */
    public List<OwnTube> own(String shopId) {
        return read(tables.bodies(shopId));
    }

    private static List<OwnTube> read(List<String> bodies) {
        List<OwnTube> tubes = new ArrayList<>();
        for (String body : bodies) {
            try {
                tubes.addAll(OwnTube.read(body));
            } catch (InvalidEntry broken) {
                // One row that nobody can read must not close the shop.
                LOG.warn("a tube type of a shop's own was passed over: {}", broken.getMessage());
            }
        }
        return tubes;
    }

    /** What a change to a type must have seen: its rows as they stand, empty for a type the shop has not. */
    public String seen(String shopId, String name) {
        return own(shopId).stream()
                .filter(tube -> tube.name().equals(name))
                .findFirst()
                .map(TubeService::seen)
                .orElse("");
    }

    private static String seen(OwnTube tube) {
        return seen(OwnTube.csv(List.of(tube)));
    }

    private static String seen(String body) {
        return Sha256.of(body).substring(0, SEEN_LENGTH);
    }

    /**
     * Keeps a type as the shop knows it.
     *
     * @param seen what it was changed from, see {@link #seen(String, String)}
     * @throws Problem when somebody else changed it since
     * @throws InvalidEntry when there are too many
     */
    @Transactional
    public void keep(String shopId, OwnTube tube, String seen) {
        require(shopId, tube.name(), seen);
        put(shopId, List.of(tube));
    }

    /** Takes types in as they are, in place of the shop's own of the same names. */
    @Transactional
    public void take(String shopId, List<OwnTube> tubes) {
        put(shopId, tubes);
    }

    private void put(String shopId, List<OwnTube> tubes) {
        if (tubes.isEmpty()) {
            return;
        }
        tubes.forEach(tube -> tables.put(shopId, tube.name(), OwnTube.csv(List.of(tube))));
        if (tables.bodies(shopId).size() > MOST_TYPES) {
            throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE,
                            "A shop keeps at most " + MOST_TYPES + " types of its own; remove some that are not used.")
                    .at("type");
        }
        tables.setsChanged(shopId);
    }

    /** Removes a type of the shop's own; one of that name that ships is what it was before. */
    @Transactional
    public void remove(String shopId, String name, String seen) {
        require(shopId, name, seen);
        tables.remove(shopId, name);
        tables.setsChanged(shopId);
    }

    private void require(String shopId, String name, String seen) {
        if (!tables.locked(shopId, name).map(TubeService::seen).orElse("").equals(seen)) {
            throw Problem.changedMeanwhile("The type " + name);
        }
    }
}
