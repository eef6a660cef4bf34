package org.umberdial.core.policy;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Where practitioners differ on parts: what each school does, and why one would follow it. The names are stored. */
public enum School {
    REPLACE_ELECTROLYTICS(
            Question.ELECTROLYTICS,
            "Replace every electrolytic",
            "No reading tells how long an old one lasts; one that fails warm takes others with it."),
    REFORM_ELECTROLYTICS(
            Question.ELECTROLYTICS,
            "Keep what forms and holds",
            "Many old ones come back to a small steady leak and stay there for years."),

    REPLACE_PAPER(
            Question.PAPER,
            "Replace paper and wax on sight",
            "Nearly all of them leak by now, and a leaky one can take an output transformer with it."),
    PROVE_PAPER(
            Question.PAPER,
            "Prove each one first",
            "Some are sealed and good; the set stays as it was built where nothing is wrong."),

    DRIFTED_RESISTORS(
            Question.RESISTORS, "Replace what is out of tolerance", "What reads right today mostly goes on doing so."),
    ALL_OF_A_BOARD(
            Question.RESISTORS,
            "Replace the lot once many have drifted",
            "Parts of one batch in one heat drift alike; the others follow."),
    KEEP_BENIGN(
            Question.RESISTORS,
            "Keep what does no harm where it sits",
            "A drifted part that moves no voltage by more than the normal spread stays, known and said."),

    UNDER_CHASSIS(
            Question.FITTING,
            "New parts under the chassis, the can left for looks",
            "Quick and reversible; the old sections are disconnected at both ends."),
    RESTUFF(
            Question.FITTING,
            "New parts inside the old can",
            "The chassis looks as it did, above and below; it costs an hour a can."),
    NEW_CAN(
            Question.FITTING,
            "A new can of several sections",
            "Nothing to hide, at a price, where the sections are made."),

    ARCING_OUT(Question.ARCING, "A tube that arcs is out", "The next arc may short B+ to the grid."),
    ARCING_ON_TRIAL(
            Question.ARCING,
            "A tube that arced once stays on trial",
            "A long-stored one may arc once and never again; it is watched."),

    WEAK_OUT(
            Question.WEAK_TUBES,
            "A weak output tube is out",
            "It limits the sound, and its bias runs away as it warms."),
    WEAK_ON_TRIAL(
            Question.WEAK_TUBES,
            "A weak output tube stays on trial",
            "Many play for years at low volume; nobody makes new ones."),

    STOP_WITHOUT_PROGRESS(
            Question.REFORMING,
            "Stop when nothing moves in the shop’s minutes",
            "What has not come back by then fails warm; a day on the supply only hides it."),
    GO_ON_WHILE_IT_FALLS(
            Question.REFORMING,
            "Go on while its leak falls at all",
            "Some need a day after decades on a shelf, and come to a new one’s leak."),
    FORM_IN_THE_SET(
            Question.REFORMING,
            "Form in the set, under a slowly raised line",
            "Nothing is unsoldered; the whole rail is loaded as it will be. It takes a rectifier that starts low."),

    HOT_GLUE(
            Question.BEDDING,
            "Hot glue holds the new in the old",
            "Quick, and comes out again; it softens near hot parts."),
    SILICONE(
            Question.BEDDING,
            "Neutral silicone holds the new in the old",
            "It stands the heat; acid-curing kinds eat copper, so neutral only, a day to cure."),

    CLEAN_THEN_LUBRICATE(
            Question.CONTROLS,
            "Cleaner, then lubricant, worked end to end",
            "Most scratchy controls come back and stay quiet."),
    DRY_FIRST(
            Question.CONTROLS,
            "Work them dry and burnish first, fluid last",
            "Fluid carries dirt into the track and swells some old ones."),

    LAMP_LIMITER(
            Question.FIRST_POWER,
            "Lamps in series, larger step by step",
            "A lamp limits what a short can take, within a second, hands or no hands. Its glow alone misleads; B+ tells."),
    VARIABLE_TRANSFORMER(
            Question.FIRST_POWER,
            "A variable transformer, raised step by step",
            "Capacitors come to their volts slowly; it limits nothing by itself, so the fuse must be right."),
    LAMP_AND_VARIABLE(
            Question.FIRST_POWER,
            "Both: a variable transformer behind a lamp",
            "Slow volts and limited current; the longest way, and the gentlest to old capacitors."),
    STRAIGHT_ON(
            Question.FIRST_POWER,
            "Straight on, with the meters clipped on",
            "A set whose parts are all proven needs no crutch, and a starved heater hides nothing."),

    CAPACITORS_FIRST(
            Question.OLD_CAPACITORS,
            "Old capacitors are dealt with before any power",
            "A leaky one at a grid can take the output transformer within a minute."),
    POWER_FIRST(
            Question.OLD_CAPACITORS,
            "Limited power first, capacitors after",
            "What works untouched tells what the set needs; the limiter and short minutes keep it whole."),

    CABINET_TOUCH_UP(
            Question.CABINET,
            "Clean and touch up",
            "Scratches go, the old finish stays; it can be undone and costs an evening."),
    CABINET_CLEAN(
            Question.CABINET,
            "Clean only",
            "Age is part of the piece; nothing is added that somebody must take off again."),
    CABINET_REFINISH(
            Question.CABINET,
            "Refinish where the finish is gone",
            "It looks as it left its maker; the old surface is lost for good, so decals and colour are kept first."),

    ALIGN_ON_SIGNS(
            Question.ALIGNMENT,
            "Align on signs only",
            "Cans mostly stay where their maker set them; a worn slot and a lost setting are for good."),
    ALIGN_ALWAYS(
            Question.ALIGNMENT,
            "Align every set once its voltages are right",
            "Capacitors in the cans and tubes have aged; a touch-up often doubles what a set brings in."),
    ALIGN_LAST(
            Question.ALIGNMENT,
            "Align last, when all else is done",
            "Cleaning, tubes and capacitors move it again; it is done once."),
    ALIGN_NEVER(Question.ALIGNMENT, "Leave it as it is", "The set stays as it was found; what it brings in is enough.");

    /** What they differ on. The names are stored. */
    public enum Question {
        ELECTROLYTICS("Electrolytics"),
        PAPER("Paper and wax capacitors"),
        RESISTORS("Resistors"),
        FITTING("Electrolytics in cans"),
        ARCING("Tubes that arc"),
        WEAK_TUBES("Weak output tubes"),
        REFORMING("How long to form"),
        BEDDING("New parts in old cases"),
        CONTROLS("Scratchy controls and contacts"),
        FIRST_POWER("First power"),
        OLD_CAPACITORS("Old capacitors and first power"),
        CABINET("The cabinet"),
        ALIGNMENT("Alignment");

        private final String label;

        Question(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** Its schools, the one a new shop starts with first. */
        public List<School> schools() {
            return Arrays.stream(School.values())
                    .filter(s -> s.question == this)
                    .toList();
        }
    }

    private final Question question;
    private final String label;
    private final String why;

    School(Question question, String label, String why) {
        this.question = question;
        this.label = label;
        this.why = why;
    }

    public Question question() {
        return question;
    }

    public String label() {
        return label;
    }

    public String why() {
        return why;
    }

    /** The school of this name, if there is one. */
    public static Optional<School> named(String name) {
        return Arrays.stream(values()).filter(s -> s.name().equals(name)).findFirst();
    }
}
