package org.umberdial.core.value;

/** The shop's decimal sign; it decides what {@code 4,700} means. */
public enum DecimalSign {
    POINT('.'),
    COMMA(',');

    private final char sign;

    DecimalSign(char sign) {
        this.sign = sign;
    }

    public char sign() {
        return sign;
    }
}
