package org.umberdial.core.volts;

/**
 * The one act that helps most now.
 *
 * @param rule id of the rule that chose it
 * @param node point to read, or point of the finding to confirm
 * @param title what to do, imperative
 * @param reason why this and not another
 * @param powered whether it is done with power on
 */
public record NextAct(String rule, String node, String title, String reason, boolean powered) {}
