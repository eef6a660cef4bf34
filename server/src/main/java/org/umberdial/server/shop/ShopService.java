package org.umberdial.server.shop;

import java.time.Clock;
import java.time.ZoneId;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.shop.internal.ShopTables;

/** The shop and its house policy. */
@Service
public class ShopService {
    private final ShopTables tables;
    private final Clock clock;
    private final ZoneId zone;
    private volatile String localShop;

    /**
     * @param zone where this machine is, which a new shop takes for its own; the clocks of the code are UTC all the
     *     same
     */
    public ShopService(ShopTables tables, Clock clock, @Value("${umber.time-zone}") ZoneId zone) {
        this.tables = tables;
        this.clock = clock;
        this.zone = zone;
    }

    /**
     * The first shop of this machine, whose owner keeps the server; made with the standard policy when there is none
     * yet.
     */
    // Of its own: a caller's transaction that comes to nothing must not take the shop back.
    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public String localShopId() {
        if (localShop == null) {
            localShop = tables.firstShop().orElseGet(this::openShop);
        }
        return localShop;
    }

    private synchronized String openShop() {
        return tables.firstShop().orElseGet(() -> open("My bench"));
    }

    /** Opens one more shop with the standard policy. */
    public String open(String name) {
        String id = UUID.randomUUID().toString();
        tables.insert(new Shop(id, name, zone, HousePolicy.standard(), 0), clock.instant());
        return id;
    }

    /** Gives a shop its name, whatever else of it was changed meanwhile. */
    @Transactional
    public void name(String shopId, String name) {
        Shop shop = shop(shopId);
        save(new Shop(shop.id(), name, shop.timeZone(), shop.policy(), shop.version()));
    }

    public Shop shop(String shopId) {
        return tables.shop(shopId).orElseThrow(() -> Problem.notFound("The shop"));
    }

    /** Saves the whole policy if nobody changed it since {@code shop.version()}. */
    @Transactional
    public Shop save(Shop shop) {
        if (!tables.update(shop)) {
            throw Problem.changedMeanwhile("The house policy");
        }
        return shop(shop.id());
    }
}
