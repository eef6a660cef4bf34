package org.umberdial.core.evidence;

import java.util.Arrays;
import java.util.Optional;

/**
 * What an entry is stored as: a stable name and the version of its form. A class may be renamed, a stored word never; a
 * form that changes gets a higher version, and the older ones are read for ever.
 */
public enum Kind {
    READING("reading", 1, Metered.class, ""),
    /** Form 1 held a test's whole form, figures shown again with it; form 2 holds what was read and nothing else. */
    COLD_FIGURES("cold-figures", 2, Benched.class, "Benched"),
    TAKEN_OFF("taken-off", 1, TakenOff.class, "TakenOff"),
    PUT_BACK("put-back", 1, PutBack.class, "PutBack"),
    CLOSED("closed", 1, Closed.class, "Closed"),
    CONTROL_FOUND("control-found", 1, ControlFound.class, "ControlFound"),
    LOOKED("looked", 1, Looked.class, "Looked"),
    TOLD("told", 1, Told.class, "Told"),
    TASK_DONE("task-done", 1, TaskDone.class, "TaskDone"),
    /** Form 2 says whether the part only stands in for the right one, form 3 what became of the old one. */
    PART_REPLACED("part-replaced", 3, PartReplaced.class, "PartReplaced"),
    PART_TESTED("part-tested", 1, Proved.class, "Proved"),
    WORTH("worth", 1, WorthSaid.class, "WorthSaid"),
    REMARK("remark", 1, Remark.class, "Remark"),
    DECIDED("decided", 1, Decided.class, ""),
    PART_READ("part-read", 1, PartRead.class, ""),
    PART_DECIDED("part-decided", 1, PartDecided.class, ""),
    PART_COVERED("part-covered", 1, PartCovered.class, ""),
    FOR_NOW("for-now", 1, ForNow.class, ""),
    FOR_NOW_ENDED("for-now-ended", 1, ForNowEnded.class, ""),
    SCHOOL_CHOSEN("school-chosen", 1, SchoolChosen.class, ""),
    WIRED("wired", 1, Wired.class, ""),
    POWER_READY("power-ready", 1, PowerReady.class, ""),
    POWER_RUN("power-run", 1, PowerRun.class, ""),
    POWER_CHECKED("power-checked", 1, PowerChecked.class, ""),
    PLAYER_DESCRIBED("player-described", 1, PlayerDescribed.class, ""),
    PLAYER_ANSWERED("player-answered", 1, PlayerAnswered.class, ""),
    PLAYER_MENDED("player-mended", 1, PlayerMended.class, ""),
    SPEED_READ("speed-read", 1, SpeedRead.class, ""),
    WORK_PLANNED("work-planned", 1, WorkPlanned.class, ""),
    WORK_STEP("work-step", 1, WorkStep.class, ""),
    CORD_LAID("cord-laid", 1, CordLaid.class, ""),
    BAND_SAID("band-said", 1, BandSaid.class, ""),
    DIAL_READ("dial-read", 1, DialRead.class, ""),
    RECEIVER_SAID("receiver-said", 1, ReceiverSaid.class, ""),
    GEAR_SAID("gear-said", 1, GearSaid.class, ""),
    ALIGNED("aligned", 1, Aligned.class, ""),
    LEVEL_READ("level-read", 1, LevelRead.class, ""),
    CURVE_READ("curve-read", 1, CurveRead.class, ""),
    LEAD_PROVEN("lead-proven", 1, LeadProven.class, ""),
    RADIO_READ("radio-read", 1, RadioRead.class, ""),
    LISTENED("listened", 1, Listened.class, "");

    private final String stored;
    private final int form;
    private final Class<? extends Fact> type;
    private final String formerly;

    Kind(String stored, int form, Class<? extends Fact> type, String formerly) {
        this.stored = stored;
        this.form = form;
        this.type = type;
        this.formerly = formerly;
    }

    /** The stored name. */
    public String stored() {
        return stored;
    }

    /** The form that is written now. */
    public int form() {
        return form;
    }

    public Class<? extends Fact> type() {
        return type;
    }

    /** The word files of earlier versions use; empty when there is none. */
    public String formerly() {
        return formerly;
    }

    /** By the stored name, or the word of earlier versions. */
    public static Optional<Kind> of(String name) {
        return Arrays.stream(values())
                .filter(kind -> kind.stored.equals(name) || !name.isEmpty() && kind.formerly.equals(name))
                .findFirst();
    }

    /**
     * The kind of a fact.
     *
     * @throws IllegalArgumentException for one that could not be read
     */
    public static Kind of(Fact fact) {
        return Arrays.stream(values())
                .filter(kind -> kind.type.isInstance(fact))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("an entry that was not read is never written"));
    }
}
