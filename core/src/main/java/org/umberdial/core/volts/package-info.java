/**
 * Stage voltages against the service sheet.
 *
 * <p>The sheet's numbers hold for its own line voltage and its own meter. {@link org.umberdial.core.volts.StageModel}
 * takes both out: it linearises the set around the sheet's values (stage currents are what the sheet's own drops say,
 * tubes count with the slopes of {@code tube-points.csv}), and gives what a healthy set would show on this line and
 * this meter. {@link org.umberdial.core.volts.VoltsJudge} compares readings with that, first as they stand and then
 * with the readings upstream taken as given, so that one fault is not counted at every point below it. What remains is
 * handed to the rules of {@link org.umberdial.core.volts.Suspicions}, which ask the topology which part could do it.
 *
 * <p>Limits: good near the sheet's operating point. A stage driven far from it is judged right in direction, and only
 * roughly in size.
 */
package org.umberdial.core.volts;
