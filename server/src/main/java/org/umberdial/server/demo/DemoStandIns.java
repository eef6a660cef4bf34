package org.umberdial.server.demo;

import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.umberdial.core.alignment.SimulatedReceiver;
import org.umberdial.core.power.PowerArea;
import org.umberdial.instruments.Bench;
import org.umberdial.instruments.Clips;
import org.umberdial.instruments.ReceiverStandIn;
import org.umberdial.instruments.SimulatedSet;
import org.umberdial.server.power.Link;
import org.umberdial.server.power.Profile;
import org.umberdial.server.power.RunService;
import org.umberdial.server.power.Switches;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;
import org.umberdial.server.shop.ShopService;

/** Stand-ins for the demo's networked instruments, clipped to its tall set, and a receiver to align. */
@Component
@ConditionalOnProperty("umber.demo")
class DemoStandIns {
    private static final Logger LOG = LoggerFactory.getLogger(DemoStandIns.class);
    private static final long THIS_ONE = 7;
    private static final String SUPPLY = "66666666-0000-4000-8000-000000000001";
    private static final String LIMITER = "66666666-0000-4000-8000-000000000002";
    private static final String SCANNER = "66666666-0000-4000-8000-000000000003";
    private static final String RECEIVER = "66666666-0000-4000-8000-000000000004";

    private final ShopService shops;
    private final SetFiles files;
    private final Switches switches;
    private final RunService runs;
    private Bench bench;
    private ReceiverStandIn receiver;

    DemoStandIns(ShopService shops, SetFiles files, Switches switches, RunService runs) {
        this.shops = shops;
        this.files = files;
        this.switches = switches;
        this.runs = runs;
    }

    /** They listen on whatever port is free, so the shop's list of them is written anew each time. */
    @EventListener(ApplicationReadyEvent.class)
    void start() {
        String shopId = shops.localShopId();
        receiver =
                new ReceiverStandIn(new SimulatedReceiver(DemoFinish.GRAND_RECEIVER, DemoFinish.GRAND_BANDS, THIS_ONE));
        link(shopId, RECEIVER, "Receiver to align (stand-in)", receiver.port(), "receiver-stand-in");
        try {
            OpenSet set = files.open(shopId, DemoShop.ELDER);
            Clips clips = new Clips(PowerArea.points(set.file()).stream()
                    .map(w -> new Clips.Pair(w.node(), w.to()))
                    .toList());
            bench = new Bench(
                    faults -> new SimulatedSet(set.stored().deck(), faults, THIS_ONE),
                    clips,
                    set.file().contents().bench().lineVolts(),
                    runs.speed());
        } catch (RuntimeException changed) {
            LOG.info("The demo's set is no longer there, or changed; its stand-ins stay off", changed);
            return;
        }
        link(shopId, SUPPLY, "Line supply (stand-in)", bench.supplyPort(), "line-supply");
        link(shopId, LIMITER, "Lamp limiter (stand-in)", bench.limiterPort(), "lamp-limiter");
        link(shopId, SCANNER, "Scanning meter (stand-in)", bench.scannerPort(), "scanner");
    }

    private void link(String shopId, String id, String name, int port, String profile) {
        switches.remove(shopId, id);
        switches.add(
                shopId,
                new Link(id, name, "127.0.0.1", port, Profile.named(profile).orElseThrow()));
    }

    @EventListener(ContextClosedEvent.class)
    void stop() {
        if (bench != null) {
            bench.close();
        }
        if (receiver != null) {
            receiver.close();
        }
    }
}
