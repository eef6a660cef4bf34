package org.umberdial.core.arrival;

import static org.junit.jupiter.api.Assertions.assertEquals;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class OriginalityTest {
    @ParameterizedTest
    @CsvSource({
        "1947,1947",
        "4712,'1912 1947'",
        "12-47,1947",
        "47/12,1947",
        "274-4712,1947",
        "712,'1927 1937 1947 1957 1967 1977 1987 1997'",
        "hello,''",
        "9999,''"
    })
    void readsTheUsualForms(String code, String years) {
        List<Integer> wanted = years.isEmpty()
                ? List.of()
                : java.util.Arrays.stream(years.split(" "))
                        .map(Integer::valueOf)
                        .filter(y -> y >= 1920)
                        .toList();
        assertEquals(wanted, DateCode.years(code));
    }

    @Test
    void theOddOneOutWasChanged() {
        Map<String, String> codes = new LinkedHashMap<>(Map.of("V1", "4712"));
        codes.put("V2", "748");
        codes.put("C1", "274-4730");
        codes.put("C2", "6105");
        codes.put("V5", "xx");
        Originality judged = Originality.of(codes);
        assertEquals(Optional.of(1947), judged.year());
        assertEquals(
                List.of(
                        Originality.Kind.AGREES,
                        Originality.Kind.AGREES,
                        Originality.Kind.AGREES,
                        Originality.Kind.CHANGED,
                        Originality.Kind.UNREADABLE),
                judged.parts().stream().map(Originality.Judged::kind).toList());
    }

    @Test
    void oneCodeAloneSaysNothing() {
        assertEquals(
                Originality.Kind.ALONE,
                Originality.of(Map.of("V1", "4712")).parts().get(0).kind());
    }
}
