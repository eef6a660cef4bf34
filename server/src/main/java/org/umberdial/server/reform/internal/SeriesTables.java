package org.umberdial.server.reform.internal;

import static org.umberdial.tables.Tables.SERIES;
import static org.umberdial.tables.Tables.SERIES_CHUNK;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;
import org.umberdial.core.reform.ReformSample;
import org.umberdial.core.reform.ReformSetup;
import org.umberdial.server.reform.ReformSeries;
import tools.jackson.databind.json.JsonMapper;

/** Series of samples in chunks. */
@Repository
public class SeriesTables {
    private static final String REFORM = "reform";
    private static final int CHUNK = 200;
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final DSLContext db;

    SeriesTables(DSLContext db) {
        this.db = db;
    }

    /** Whether it is new. */
    public boolean start(String shopId, String setId, ReformSeries series) {
        return db.insertInto(SERIES)
                        .set(SERIES.SHOP_ID, shopId)
                        .set(SERIES.ID, series.id())
                        .set(SERIES.SET_ID, setId)
                        .set(SERIES.KIND, REFORM)
                        .set(SERIES.PART, series.part())
                        .set(SERIES.BODY, JSON.writeValueAsString(series.setup()))
                        .set(SERIES.STARTED_AT, series.startedAt())
                        .set(SERIES.AUTHOR, series.author())
                        .onDuplicateKeyIgnore()
                        .execute()
                == 1;
    }

    /** A set's runs, the latest first. */
    public List<ReformSeries> of(String shopId, String setId) {
        Map<String, List<ReformSample>> samples = db
                .select(SERIES_CHUNK.SERIES_ID, SERIES_CHUNK.BODY)
                .from(SERIES_CHUNK)
                .join(SERIES)
                .on(SERIES.SHOP_ID.eq(SERIES_CHUNK.SHOP_ID), SERIES.ID.eq(SERIES_CHUNK.SERIES_ID))
                .where(SERIES.SHOP_ID.eq(shopId), SERIES.SET_ID.eq(setId))
                .orderBy(SERIES_CHUNK.SERIES_ID, SERIES_CHUNK.NUMBER)
                .fetchGroups(row -> row.value1(), row -> row.value2())
                .entrySet()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, e -> samples(e.getValue())));
        return db.selectFrom(SERIES)
                .where(SERIES.SHOP_ID.eq(shopId), SERIES.SET_ID.eq(setId), SERIES.KIND.eq(REFORM))
                .orderBy(SERIES.STARTED_AT.desc(), SERIES.ID)
                .fetch(row -> series(row, samples.getOrDefault(row.get(SERIES.ID), List.of())));
    }

    /** Sets of which a run goes on. */
    public List<String> running(String shopId) {
        return db.selectDistinct(SERIES.SET_ID)
                .from(SERIES)
                .where(SERIES.SHOP_ID.eq(shopId), SERIES.KIND.eq(REFORM), SERIES.ENDED_AT.isNull())
                .orderBy(SERIES.SET_ID)
                .fetch(SERIES.SET_ID);
    }

    private static ReformSeries series(Record row, List<ReformSample> samples) {
        return new ReformSeries(
                row.get(SERIES.ID),
                row.get(SERIES.PART),
                JSON.readValue(row.get(SERIES.BODY), ReformSetup.class),
                row.get(SERIES.STARTED_AT),
                Optional.ofNullable(row.get(SERIES.ENDED_AT)),
                row.get(SERIES.ENDING),
                row.get(SERIES.AUTHOR),
                samples);
    }

    private static List<ReformSample> samples(List<String> chunks) {
        List<ReformSample> samples = new ArrayList<>();
        for (String chunk : chunks) {
            for (String line : chunk.split("\n")) {
                String[] cells = line.split(",");
                samples.add(new ReformSample(
                        Double.parseDouble(cells[0]), Double.parseDouble(cells[1]), Double.parseDouble(cells[2])));
            }
        }
        return samples;
    }

    /** Lets nobody else add to a run until the transaction ends. */
    public void lock(String shopId, String seriesId) {
        db.select(SERIES.ID)
                .from(SERIES)
                .where(SERIES.SHOP_ID.eq(shopId), SERIES.ID.eq(seriesId))
                .forUpdate()
                .fetch();
    }

    public void add(String shopId, String seriesId, ReformSample sample) {
        String line = sample.seconds() + "," + sample.volts() + "," + sample.shuntVolts() + "\n";
        Record last = db.select(SERIES_CHUNK.NUMBER, SERIES_CHUNK.SAMPLES)
                .from(SERIES_CHUNK)
                .where(SERIES_CHUNK.SHOP_ID.eq(shopId), SERIES_CHUNK.SERIES_ID.eq(seriesId))
                .orderBy(SERIES_CHUNK.NUMBER.desc())
                .limit(1)
                .fetchOne();
        if (last == null || last.get(SERIES_CHUNK.SAMPLES) >= CHUNK) {
            db.insertInto(SERIES_CHUNK)
                    .set(SERIES_CHUNK.SHOP_ID, shopId)
                    .set(SERIES_CHUNK.SERIES_ID, seriesId)
                    .set(SERIES_CHUNK.NUMBER, last == null ? 0 : last.get(SERIES_CHUNK.NUMBER) + 1)
                    .set(SERIES_CHUNK.SAMPLES, 1)
                    .set(SERIES_CHUNK.BODY, line)
                    .execute();
        } else {
            db.update(SERIES_CHUNK)
                    .set(SERIES_CHUNK.BODY, DSL.concat(SERIES_CHUNK.BODY, DSL.val(line)))
                    .set(SERIES_CHUNK.SAMPLES, SERIES_CHUNK.SAMPLES.plus(1))
                    .where(
                            SERIES_CHUNK.SHOP_ID.eq(shopId),
                            SERIES_CHUNK.SERIES_ID.eq(seriesId),
                            SERIES_CHUNK.NUMBER.eq(last.get(SERIES_CHUNK.NUMBER)))
                    .execute();
        }
    }

    /** Whether it went on until now. */
    public boolean end(String shopId, String seriesId, Instant at, String ending) {
        return db.update(SERIES)
                        .set(SERIES.ENDED_AT, at)
                        .set(SERIES.ENDING, ending)
                        .where(SERIES.SHOP_ID.eq(shopId), SERIES.ID.eq(seriesId), SERIES.ENDED_AT.isNull())
                        .execute()
                == 1;
    }
}
