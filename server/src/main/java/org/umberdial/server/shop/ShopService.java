package org.umberdial.server.shop;

import java.time.Clock;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.Meter;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.shop.internal.ShopTables;

/** The shop, its house policy and its instruments. */
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

    /** Opens one more shop with the standard policy and two usual meters. */
    public String open(String name) {
        String id = UUID.randomUUID().toString();
        tables.insert(new Shop(id, name, zone, HousePolicy.standard(), 0), clock.instant());
        tables.insertInstrument(
                id, new Instrument(UUID.randomUUID().toString(), "Digital meter", Meter.parse("10M"), 0.01, false, 0));
        tables.insertInstrument(
                id,
                new Instrument(
                        UUID.randomUUID().toString(), "Moving-coil meter", Meter.parse("20k/V"), 0.03, false, 0));
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

    /**
     * A short text that changes whenever the shop's policy or instruments do, so that what was judged by them can be
     * kept.
     */
    public String rules(String shopId) {
        List<Instrument> instruments = instruments(shopId);
        return shop(shopId).version() + "." + instruments.size() + "."
                + instruments.stream().mapToInt(Instrument::version).sum();
    }

    /** Saves the whole policy if nobody changed it since {@code shop.version()}. */
    @Transactional
    public Shop save(Shop shop) {
        if (!tables.update(shop)) {
            throw Problem.changedMeanwhile("The house policy");
        }
        return shop(shop.id());
    }

    public List<Instrument> instruments(String shopId) {
        return tables.instruments(shopId);
    }

    public Optional<Instrument> instrument(String shopId, String id) {
        return tables.instruments(shopId).stream()
                .filter(instrument -> instrument.id().equals(id))
                .findFirst();
    }

    /** Adds an instrument; the same id again changes nothing. */
    @Transactional
    public Instrument add(String shopId, Instrument instrument) {
        tables.insertInstrument(shopId, instrument);
        return instrument(shopId, instrument.id()).orElseThrow();
    }

    @Transactional
    public Instrument save(String shopId, Instrument instrument) {
        if (instrument(shopId, instrument.id()).isEmpty()) {
            throw Problem.notFound("This instrument");
        }
        if (!tables.updateInstrument(shopId, instrument)) {
            throw Problem.changedMeanwhile("This instrument");
        }
        return instrument(shopId, instrument.id()).orElseThrow();
    }
}
