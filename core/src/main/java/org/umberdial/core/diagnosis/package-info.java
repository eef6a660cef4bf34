/**
 * Which fault explains what was read: every fault a part can have is solved with the set's own circuit, weighed against
 * the readings under the covariance of a healthy set of its kind, and the reading is named that would tell most.
 */
package org.umberdial.core.diagnosis;
