package org.umberdial.core.drawing;

import java.util.List;
import java.util.Optional;

/**
 * @param entry where the outermost grid ladder begins, when it may be led to [grid units]
 * @param exit where the plate's row ends
 * @param rails where parts reach up to the row's rail
 */
record Drawn(Sketch sketch, Optional<double[]> entry, Optional<double[]> exit, List<double[]> rails) {}
