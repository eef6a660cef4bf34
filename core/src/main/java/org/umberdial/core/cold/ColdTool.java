package org.umberdial.core.cold;

import java.util.List;
import java.util.Locale;
import org.umberdial.core.claim.Claim;
import org.umberdial.core.procedure.BenchForm;
import org.umberdial.core.procedure.Figures;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.Unit;

/** How one kind of test asks for its figures and what it makes of them. */
interface ColdTool {
    /** What to enter; may grow with what was entered. */
    List<BenchForm.Block> blocks(ColdScene scene, Figures figures);

    /**
     * @param claims what a pass of the whole test proves on this set
     * @throws org.umberdial.core.value.InvalidEntry for a figure that cannot be
     */
    ColdVerdict judge(ColdScene scene, List<Claim> claims, Figures figures);

    /** Ids of the cautions of this test beside the usual ones. */
    default List<String> cautions(ColdScene scene) {
        return List.of();
    }

    static String ohms(double value) {
        return Engineering.print(value, Unit.OHM);
    }

    static String volts(double value) {
        return Engineering.print(value, Unit.VOLT);
    }

    static String amperes(double value) {
        return Engineering.print(value, Unit.AMPERE);
    }

    /** No part of a set reads as much: nothing connects [Ω]. */
    double OPEN_OHMS = 1e9;

    /** How far a reading is off what is expected: {@code 12 % over 470 kΩ}. */
    static String off(double fraction, double expected) {
        return Math.abs(fraction) < 0.005
                ? "as expected"
                : percent(Math.abs(fraction)) + (fraction < 0 ? " under " : " over ") + ohms(expected);
    }

    static String percent(double fraction) {
        return Math.round(100 * fraction) + " %";
    }

    static String text(String format, Object... values) {
        return String.format(Locale.ROOT, format, values);
    }

    static List<Claim> of(List<Claim> claims, String subject) {
        return claims.stream().filter(claim -> claim.subject().equals(subject)).toList();
    }

    static List<Claim> aspects(List<Claim> claims, String part) {
        return claims.stream()
                .filter(claim -> claim.aspect().label().contains(part))
                .toList();
    }
}
