/**
 * The set on the bench and its circuit: parts with all their values side by side, sockets, test points, and the service
 * sheet's values with the conditions they hold for. Facts only; what they mean is computed elsewhere.
 */
package org.umberdial.core.set;
