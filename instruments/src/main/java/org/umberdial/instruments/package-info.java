/**
 * Stand-ins for the instruments of a bench. Each listens on a TCP port and speaks SCPI (SCPI-1999 with the common
 * commands of IEEE 488.2), as a networked instrument does; together they measure one set, simulated by the core's
 * warm-up from a circuit whose values, tubes and faults are drawn here and known to nobody else.
 */
package org.umberdial.instruments;
