/**
 * Values as people write them, and the quantities the rest of the core speaks in.
 *
 * <p>Reading ({@link org.umberdial.core.value.ValueReader}) accepts the forms of the trade ({@code 4k7}, {@code .047},
 * {@code 47 mmf}, {@code 1/2 W}) and refuses what has two meanings, naming both. Printing
 * ({@link org.umberdial.core.value.Engineering}) gives three significant digits and an engineering prefix.
 *
 * <p>At every border of the core a quantity is a one-field record ({@link org.umberdial.core.value.Volts},
 * {@link org.umberdial.core.value.Ohms} and so on), so that a swapped resistance and capacitance does not compile.
 * Inside solver loops plain doubles in unprefixed SI are used, with the unit in the name.
 */
package org.umberdial.core.value;
