package org.umberdial.server.arrival;

import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.evidence.Remark;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.sets.SetService;

/** What has to be done to a set as a whole when it is taken in, or given back. */
@Service
public class ArrivalService {
    private final EvidenceService journals;
    private final PhotoService photos;
    private final SetService sets;

    public ArrivalService(EvidenceService journals, PhotoService photos, SetService sets) {
        this.journals = journals;
        this.photos = photos;
        this.sets = sets;
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
