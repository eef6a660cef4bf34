package org.umberdial.core.circuit.network;

import org.umberdial.core.circuit.law.EyeLaw;

/** A tuning eye's shadow: what its plate lacks against its target. Triode and target are elements of their own. */
public record Eye(String part, EyeLaw law, int plate, int target, int cathode) {}
