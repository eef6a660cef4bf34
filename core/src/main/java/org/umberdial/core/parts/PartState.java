package org.umberdial.core.parts;

/** How a part stands, in the bench's words. */
public enum PartState {
    UNREAD("not read"),
    GOOD("good"),
    /** An electrolytic that leaks more than a new one and less than it may. */
    USABLE("usable"),
    NOT_PROVEN("not proven"),
    CANNOT_TELL("cannot tell"),
    /** Off from what such sets usually have, which is no evidence. */
    UNUSUAL("unusual"),
    NOT_AS_MARKED("not as marked"),
    LOW("low"),
    FOOLED("meter fooled by leakage"),
    FORM_FIRST("form it first"),
    CONFLICT("conflict"),
    LEAKY("leaky"),
    SHORTED("shorted"),
    OPEN("open"),
    DRIED("dried"),
    DRIFTED_HIGH("drifted high"),
    READS_LOW("reads low"),
    WEAK("weak"),
    GASSY("gassy"),
    ARCS("arcs"),
    OPEN_HEATER("open heater"),
    /** Whatever it reads, it is replaced. */
    BY_RULE("by rule"),
    /** It failed, by something that is no reading of its own. */
    BAD("bad"),
    REPLACED("replaced");

    private final String label;

    PartState(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
