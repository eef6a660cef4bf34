package org.umberdial.core.circuit.work;

/**
 * Two nodes between which something that the line drives carries current by its law: a junction has one port, a tube
 * section one for each electrode but the cathode.
 *
 * @param a the current flows in here, below 0 for the reference
 * @param b and out here
 * @param guard conductance that the network holds in its stead [S]
 * @param leak backward leakage that stays of it; it says where a winding floats while nothing conducts [S]
 */
record Port(int a, int b, double guard, double leak) {
    double held() {
        return guard - leak;
    }
}
