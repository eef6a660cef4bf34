package org.umberdial.core.value;

/**
 * Something a person entered cannot be taken. The message is a whole sentence for that person: what was wrong with the
 * entry and what would be right.
 */
public final class InvalidEntry extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /** What kind of mistake it was; stable, for programs. */
    public enum Code {
        EMPTY,
        NOT_A_NUMBER,
        AMBIGUOUS,
        WRONG_UNIT,
        OUT_OF_RANGE,
        CHANGED_MEANWHILE,
        UNKNOWN,
        DUPLICATE,
        CONFLICT,
        SYNTAX
    }

    private final Code code;
    private final String field;

    public InvalidEntry(Code code, String message) {
        this(code, "", message);
    }

    private InvalidEntry(Code code, String field, String message) {
        super(message);
        this.code = code;
        this.field = field;
    }

    public Code code() {
        return code;
    }

    /** Name of the field it was entered in, empty when the caller knows it. */
    public String field() {
        return field;
    }

    /** The same fault, attributed to a field. */
    public InvalidEntry at(String fieldName) {
        InvalidEntry placed = new InvalidEntry(code, fieldName, getMessage());
        placed.setStackTrace(getStackTrace());
        return placed;
    }
}
