package org.umberdial.server.exchange;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.catalogue.OwnItem;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.catalogue.CatalogueService;
import org.umberdial.server.exchange.internal.CsvFiles;

/** A shop's own catalogue and prices from and to open files. */
@Service
public class CatalogueFiles {
    private static final ValueReader VALUES = new ValueReader(DecimalSign.POINT);

    private final CatalogueService catalogue;

    CatalogueFiles(CatalogueService catalogue) {
        this.catalogue = catalogue;
    }

    /** All of a shop's own items with what they cost. */
    public String export(String shopId) {
        Map<String, BigDecimal> prices = catalogue.prices(shopId);
        List<String> columns = new ArrayList<>(OwnItem.COLUMNS);
        columns.add("price");
        return CsvFiles.write(
                columns,
                catalogue.own(shopId).stream()
                        .map(item -> {
                            List<String> cells = new ArrayList<>(item.row().values());
                            cells.add(Optional.ofNullable(prices.get(item.name()))
                                    .map(BigDecimal::toPlainString)
                                    .orElse(""));
                            return cells;
                        })
                        .toList());
    }

    /** Takes items from a file: good ones go in, in place of the shop's own of that name, bad ones are listed. */
    @Transactional
    public ReadingFile take(String shopId, byte[] bytes) {
        CsvFiles.Rows file = CsvFiles.catalogue(bytes);
        List<OwnItem> before = catalogue.own(shopId);
        List<OwnItem> fresh = new ArrayList<>();
        List<ReadingFile.BadLine> refused = new ArrayList<>();
        int known = 0;
        for (CsvFiles.Line line : file.lines()) {
            try {
                Map<String, String> cells = new HashMap<>();
                OwnItem.COLUMNS.forEach(column -> cells.put(column, line.cell(column.toLowerCase(Locale.ROOT))));
                OwnItem item = OwnItem.of(cells, VALUES);
                Optional<BigDecimal> price = CatalogueService.price(line.cell("price"), DecimalSign.POINT);
                price.ifPresent(one -> catalogue.price(shopId, item.name(), price));
                if (before.contains(item)) {
                    known++;
                } else {
                    fresh.add(item);
                }
            } catch (InvalidEntry bad) {
                refused.add(new ReadingFile.BadLine(
                        (int) line.number(),
                        bad.field().isEmpty() ? bad.getMessage() : bad.field() + ": " + bad.getMessage()));
            }
        }
        catalogue.keep(shopId, fresh);
        return new ReadingFile(fresh.size(), known, refused, file.notes());
    }

    /** Takes what items cost, from any list that names them as they are ordered. */
    @Transactional
    public ReadingFile takePrices(String shopId, byte[] bytes) {
        CsvFiles.Rows file = CsvFiles.prices(bytes);
        Map<String, BigDecimal> before = catalogue.prices(shopId);
        List<ReadingFile.BadLine> refused = new ArrayList<>();
        int added = 0;
        int known = 0;
        for (CsvFiles.Line line : file.lines()) {
            try {
                String item = line.cell("item").strip();
                Optional<BigDecimal> price = CatalogueService.price(line.cell("price"), DecimalSign.POINT);
                if (item.isEmpty() || price.isEmpty()) {
                    continue;
                }
                if (price.equals(Optional.ofNullable(before.get(item)))) {
                    known++;
                } else {
                    catalogue.price(shopId, item, price);
                    added++;
                }
            } catch (InvalidEntry bad) {
                refused.add(new ReadingFile.BadLine((int) line.number(), bad.getMessage()));
            }
        }
        return new ReadingFile(added, known, refused, file.notes());
    }
}
