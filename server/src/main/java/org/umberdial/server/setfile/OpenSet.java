package org.umberdial.server.setfile;

import java.util.List;
import org.umberdial.core.area.SetFile;
import org.umberdial.core.cold.Isolation;
import org.umberdial.core.evidence.EvidenceLog;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.set.BenchSet;
import org.umberdial.server.evidence.KeptEntry;
import org.umberdial.server.instrument.ShopInstrument;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.Shop;

/**
 * A set as it was at one revision, with the shop's rules of that moment.
 *
 * @param revision of the set; a screen that shows a newer one has nothing to fetch
 * @param rules what the shop's policy and instruments were at
 * @param kept every entry of its log as it came, in order
 */
public record OpenSet(
        StoredSet stored,
        Shop shop,
        List<ShopInstrument> instruments,
        List<KeptEntry> kept,
        SetFile file,
        int revision,
        String rules) {
    public String id() {
        return stored.id();
    }

    public BenchSet set() {
        return stored.set();
    }

    /** The rules that hold for it: the house's, and its own schools. */
    public HousePolicy policy() {
        return file.policy();
    }

    /** Its danger in a few words, as it is known now. */
    public String danger() {
        return Isolation.danger(file);
    }

    /** Whether a hand should take its chassis as live. */
    public boolean liveChassis() {
        return Isolation.live(file);
    }

    public EvidenceLog log() {
        return file.log();
    }
}
