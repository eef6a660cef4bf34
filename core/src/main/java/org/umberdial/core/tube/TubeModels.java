package org.umberdial.core.tube;

import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;

/** The laws of tube types, fitted when first asked for and then kept. Safe for use by several threads. */
public final class TubeModels {
    private static final TubeModels SHIPPED = new TubeModels(TubeData.shipped());

    private final TubeData data;
    private final Map<String, TubeModel> fitted = new ConcurrentHashMap<>();

    public TubeModels(TubeData data) {
        this.data = data;
    }

    /** The laws of the data that ships with the application. */
    public static TubeModels shipped() {
        return SHIPPED;
    }

    public TubeData data() {
        return data;
    }

    /** @param type with or without a section suffix; empty when nothing is known about it */
    public Optional<TubeModel> model(String type) {
        return data.type(type)
                .flatMap(known -> isShipped(known)
                        ? SHIPPED.model(known.name())
                        : Optional.of(fitted.computeIfAbsent(known.name(), name -> TubeFit.fit(known))));
    }

    /** What a shop left as it ships is fitted once for all shops. */
    private boolean isShipped(TubeType type) {
        return data != SHIPPED.data && SHIPPED.data.type(type.name()).orElse(null) == type;
    }
}
