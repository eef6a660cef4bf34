package org.umberdial.server.exchange;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.core.set.BenchSet;
import org.umberdial.core.set.Part;
import org.umberdial.core.tube.OwnTube;
import org.umberdial.core.tube.TubeData;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.exchange.internal.CsvFiles;
import org.umberdial.server.tubes.TubeService;

/** A shop's own tube types from and to open files. */
@Service
public class TubeFiles {
    private final TubeService tubes;

    TubeFiles(TubeService tubes) {
        this.tubes = tubes;
    }

    /** All of a shop's own types. */
    public String export(String shopId) {
        return OwnTube.csv(tubes.own(shopId));
    }

    /** Takes types from a file: good ones go in, in place of the shop's own of that name, bad ones are listed. */
    @Transactional
    public ReadingFile take(String shopId, byte[] bytes) {
        CsvFiles.TubeRows file = CsvFiles.tubes(bytes);
        Map<String, List<CsvFiles.TubeLine>> byType = new LinkedHashMap<>();
        file.lines()
                .forEach(line -> byType.computeIfAbsent(
                                line.cells().getOrDefault("type", "").toUpperCase(Locale.ROOT),
                                type -> new ArrayList<>())
                        .add(line));
        List<OwnTube> good = new ArrayList<>();
        List<ReadingFile.BadLine> refused = new ArrayList<>();
        byType.forEach((name, lines) -> {
            try {
                good.add(OwnTube.of(
                        name, lines.stream().map(CsvFiles.TubeLine::cells).toList()));
            } catch (InvalidEntry bad) {
                refused.add(new ReadingFile.BadLine(line(lines, bad.field()), name + ": " + bad.getMessage()));
            }
        });
        List<OwnTube> before = tubes.own(shopId);
        List<OwnTube> fresh =
                good.stream().filter(tube -> !before.contains(tube)).toList();
        tubes.take(shopId, fresh);
        List<String> notes = new ArrayList<>(file.notes());
        fresh.forEach(tube -> tube.says().forEach(said -> notes.add(tube.name() + ": " + said)));
        return new ReadingFile(fresh.size(), good.size() - fresh.size(), refused, notes);
    }

    /** Where in the file a fault of a type is: its field begins with which of the type's rows it is in. */
    private static int line(List<CsvFiles.TubeLine> lines, String field) {
        int row = field.matches("\\d+/.*") ? Integer.parseInt(field.substring(0, field.indexOf('/'))) : 1;
        return (int) lines.get(Math.min(row, lines.size()) - 1).number();
    }

    /** The shop's own types that a set has, as they go along with it; empty for none. */
    public String of(String shopId, BenchSet set) {
        Set<String> fitted = set.parts().stream()
                .map(Part::card)
                .filter(card -> card.letter() == 'X')
                .flatMap(card -> set.tubes().data().type(card.model()).stream())
                .map(type -> type.name())
                .collect(Collectors.toSet());
        List<OwnTube> own = tubes.own(shopId).stream()
                .filter(tube -> fitted.contains(tube.name()))
                .toList();
        return own.isEmpty() ? "" : OwnTube.csv(own);
    }

    /**
     * Types that came with a set from elsewhere: only those that nobody here knows, and at low confidence, so that a
     * stranger's figures accuse no part.
     *
     * @return what became of them, in sentences
     */
    @Transactional
    public List<String> adopt(String shopId, byte[] bytes) {
        List<OwnTube> own = tubes.own(shopId);
        Set<String> there = own.stream().map(OwnTube::name).collect(Collectors.toSet());
        TubeData.shipped().types().forEach(type -> there.add(type.name()));
        List<OwnTube> came;
        try {
            came = OwnTube.of(CsvFiles.tubes(bytes).lines().stream()
                    .map(CsvFiles.TubeLine::cells)
                    .toList());
        } catch (InvalidEntry bad) {
            return List.of("Its tubes.csv was left out: " + bad.getMessage());
        }
        List<String> says = new ArrayList<>();
        List<OwnTube> fresh = new ArrayList<>();
        for (OwnTube tube : came) {
            if (there.contains(tube.name())) {
                if (!own.contains(tube)) {
                    says.add("The set came with figures of its own for " + tube.name()
                            + "; yours stand, so that something may be expected otherwise than there.");
                }
            } else {
                fresh.add(tube.unsure());
                says.add(tube.name() + " came with the set and is now among your own tubes, at low confidence.");
            }
        }
        tubes.take(shopId, fresh);
        return says;
    }
}
