package org.umberdial.server.setfile;

import org.umberdial.core.area.Bench;
import org.umberdial.core.diagnosis.AtlasSource;
import org.umberdial.core.set.BenchSet;

/** Atlases of the shop's sets, solved behind everybody's back. */
public interface AtlasDesk extends AtlasSource {
    /** The same, after waiting a moment for one that is under way: for who has nothing else to show. */
    Answer soon(BenchSet set, Bench bench);

    /** How many were solved so far: a file that waited for one is worth opening again when this has grown. */
    long solved();
}
