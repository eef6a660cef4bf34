package org.umberdial.core.evidence;

/** One thing that was done, found or said. */
public sealed interface Fact
        permits Metered,
                Benched,
                TakenOff,
                PutBack,
                Closed,
                ControlFound,
                Looked,
                Told,
                TaskDone,
                PartReplaced,
                Proved,
                WorthSaid,
                Remark,
                Decided,
                PartRead,
                PartDecided,
                PartCovered,
                ForNow,
                ForNowEnded,
                SchoolChosen,
                Wired,
                PowerReady,
                PowerRun,
                PowerChecked,
                PlayerDescribed,
                SpeedRead,
                WorkPlanned,
                WorkStep,
                CordLaid,
                BandSaid,
                DialRead,
                ReceiverSaid,
                GearSaid,
                Aligned,
                LevelRead,
                CurveRead,
                LeadProven,
                RadioRead,
                Listened,
                PlayerAnswered,
                PlayerMended,
                Unread {
    /** What it is about: a part's reference, an area, a control; may be empty. */
    String subject();

    /** The sentence of the log. */
    String sentence();
}
