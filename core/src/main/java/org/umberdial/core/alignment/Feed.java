package org.umberdial.core.alignment;

/** Where a generator is put, and through what. */
public enum Feed {
    NONE("nothing", ""),
    CONVERTER("signal grid of the converter", "10 to 100 nF"),
    LAST_IF("grid of the last IF tube", "1 nF"),
    FM_MIXER("FM mixer: the shield around it, lifted from ground, or its grid", "1 nF"),
    AERIAL("aerial terminal", "200 pF"),
    SHORT_WAVE("aerial terminal", "400 Ω"),
    LOOP("three turns of wire 40 cm from the set’s own loop, never by wire", ""),
    FM_AERIAL("FM aerial terminals", "a pad that matches"),
    STATION("its own aerial, a station", "");

    private final String where;
    private final String through;

    Feed(String where, String through) {
        this.where = where;
        this.through = through;
    }

    public String where() {
        return where;
    }

    /** What stands in for an aerial or keeps direct voltage out; may be empty. */
    public String through() {
        return through;
    }

    /** Whether a lead of the generator goes on the chassis. */
    public boolean clips() {
        return this != NONE && this != LOOP && this != STATION;
    }
}
