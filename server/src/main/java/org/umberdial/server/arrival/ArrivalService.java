package org.umberdial.server.arrival;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.arrival.ArrivalState;
import org.umberdial.core.arrival.Complaints;
import org.umberdial.core.arrival.Inspection;
import org.umberdial.core.arrival.SupplyJudge;
import org.umberdial.core.arrival.TakeApart;
import org.umberdial.core.journal.Journal;
import org.umberdial.core.journal.Remark;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.reading.ReadingKind;
import org.umberdial.core.reading.ReadingLog;
import org.umberdial.server.journal.JournalService;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.readings.ReadingService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.sets.StoredSet;
import org.umberdial.server.shop.ShopService;

/** Puts together how far the taking-in of a set is. */
@Service
public class ArrivalService {
    private final JournalService journals;
    private final PhotoService photos;
    private final ReadingService readings;
    private final SetService sets;
    private final ShopService shops;

    public ArrivalService(
            JournalService journals, PhotoService photos, ReadingService readings, SetService sets, ShopService shops) {
        this.journals = journals;
        this.photos = photos;
        this.readings = readings;
        this.sets = sets;
        this.shops = shops;
    }

    public ArrivalState state(String shopId, StoredSet set) {
        Journal journal = journals.journal(shopId, set.id());
        HousePolicy policy = shops.shop(shopId).policy();
        ReadingLog log = readings.log(shopId, set.id());
        boolean powered = log.standing().stream().anyMatch(reading -> reading.kind() != ReadingKind.OHMS);
        StoredSet.Arrival arrival = set.arrival();
        var construction = set.set().construction();
        return new ArrivalState(
                photos.count(shopId, set.id()),
                arrival.supply(),
                SupplyJudge.judge(arrival.supply(), construction, policy),
                Inspection.of(construction, arrival.extras(), journal),
                Complaints.of(construction, arrival.extras(), journal),
                TakeApart.of(journal),
                set.set().parts().size(),
                powered);
    }

    /**
     * Erases who the owner is and what they said in person; the log keeps that it was done. The same id again changes
     * nothing.
     */
    @Transactional
    public void eraseOwner(Caller caller, String setId, String id) {
        sets.eraseOwner(caller.shopId(), setId);
        journals.eraseOwnersWords(caller.shopId(), setId);
        photos.eraseOwner(caller.shopId(), setId);
        journals.keep(
                caller,
                setId,
                id,
                new Remark(
                        "",
                        "The owner's name, contact and words were erased, and pictures marked as showing the "
                                + "owner; what was found, read and done stays."),
                Optional.empty());
    }
}
