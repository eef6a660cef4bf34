package org.umberdial.server.setfile;

import org.umberdial.core.diagnosis.AtlasSource;

/** Atlases of the shop's sets, solved behind everybody's back. */
public interface AtlasDesk extends AtlasSource {
    /** How many were solved so far: a file that waited for one is worth opening again when this has grown. */
    long solved();
}
