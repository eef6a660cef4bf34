/**
 * First power: the plan by which a set is brought up, what a healthy one shows at each moment of it, what must be
 * settled before, and what a run says while it goes on.
 *
 * <p>Source: JOB section 4; the warm-up of {@code circuit.work}.
 */
package org.umberdial.core.power;
