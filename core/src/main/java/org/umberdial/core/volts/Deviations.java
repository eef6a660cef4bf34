package org.umberdial.core.volts;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.ejml.data.DMatrixRMaj;
import org.ejml.dense.row.CommonOps_DDRM;
import org.ejml.dense.row.MatrixFeatures_DDRM;

/**
 * What some nodes' deviations from the healthy set, taken as given, imply for all others: δ = Z_P (Z_PP)⁻¹ δ_P, with Z
 * the impedance matrix of the stage model and P the given nodes.
 */
final class Deviations {
    private final StageModel model;
    private final List<String> given = new ArrayList<>();
    private final double[] currents;
    private final DMatrixRMaj inverse;

    Deviations(StageModel model, Map<String, Double> givenVolts) {
        this.model = model;
        // A node that no conducting path reaches answers to nothing, and would make the system singular.
        givenVolts.keySet().stream()
                .sorted()
                .filter(node -> model.transferOhms(node, node) > 1e-9)
                .forEach(given::add);
        int n = given.size();
        DMatrixRMaj own = new DMatrixRMaj(n, n);
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                own.set(i, j, model.transferOhms(given.get(i), given.get(j)));
            }
        }
        DMatrixRMaj candidate = new DMatrixRMaj(n, n);
        // Two given nodes that are as good as one leave nothing to solve for; then nothing is implied.
        boolean solvable =
                n > 0 && CommonOps_DDRM.invert(own, candidate) && !MatrixFeatures_DDRM.hasUncountable(candidate);
        inverse = solvable ? candidate : new DMatrixRMaj(n, n);
        currents = times(given.stream().mapToDouble(givenVolts::get).toArray());
    }

    private double[] times(double[] volts) {
        double[] product = new double[volts.length];
        for (int i = 0; i < volts.length; i++) {
            for (int j = 0; j < volts.length; j++) {
                product[i] += inverse.get(i, j) * volts[j];
            }
        }
        return product;
    }

    /** Deviation of a node from its healthy voltage [V]. */
    double at(String node) {
        double volts = 0;
        for (int i = 0; i < given.size(); i++) {
            volts += model.transferOhms(node, given.get(i)) * currents[i];
        }
        return volts;
    }

    /** What one of the given nodes contributes to a node's deviation [V]. */
    double share(String node, String from) {
        int i = given.indexOf(from);
        return i < 0 ? 0 : model.transferOhms(node, from) * currents[i];
    }

    /** Volts at {@code seen} per ampere through an added branch, while the given nodes are held where they are [Ω]. */
    double responseOhms(String seen, String from, String into) {
        double[] atGiven = given.stream()
                .mapToDouble(node -> model.responseOhms(node, from, into))
                .toArray();
        double[] held = times(atGiven);
        double response = model.responseOhms(seen, from, into);
        for (int i = 0; i < held.length; i++) {
            response -= model.transferOhms(seen, given.get(i)) * held[i];
        }
        return response;
    }
}
