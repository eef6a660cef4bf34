/**
 * The cold bench: its plan, its tests, the shop's equipment with its control readings, and the transformer workshop.
 */
package org.umberdial.server.cold;
