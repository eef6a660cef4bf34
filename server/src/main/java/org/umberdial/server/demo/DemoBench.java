package org.umberdial.server.demo;

import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.umberdial.core.cold.TransformerSize;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.reading.Meter;
import org.umberdial.server.stock.StockItem;

/** What the demo's bench measures with and has in its drawers. */
final class DemoBench {
    static final String METER = "11111111-0000-4000-8000-000000000001";
    static final String OLD_METER = "11111111-0000-4000-8000-000000000002";

    static final List<Instrument> INSTRUMENTS = List.of(
            new Instrument(
                    METER,
                    "Bench meter",
                    false,
                    List.of(
                            Ability.voltmeter(Meter.parse("10M"), 0.01).upTo(1000),
                            Ability.of(Equipment.OHMMETER).upTo(40e6),
                            Ability.of(Equipment.DIODE_TEST),
                            Ability.of(Equipment.AC_METER).upTo(750).answering(Ability.Response.TRUE_RMS))),
            new Instrument(
                    OLD_METER,
                    "Moving-coil meter",
                    false,
                    List.of(
                            Ability.voltmeter(Meter.parse("20k/V"), 0.03).upTo(1000),
                            Ability.of(Equipment.OHMMETER).upTo(2e6))),
            named("Signal generator", Ability.of(Equipment.GENERATOR).through(50)),
            named("Insulation tester", Ability.of(Equipment.INSULATION_TESTER).testingAt(250.0, 500.0, 1000.0)),
            named("Leakage bridge", Ability.of(Equipment.LEAKAGE_TESTER).testingAt(25.0, 50.0, 150.0, 300.0, 400.0)),
            named(
                    "Capacitance and ESR meter",
                    Ability.of(Equipment.CAPACITANCE_METER),
                    Ability.of(Equipment.ESR_METER)),
            named("1.5 V cell with clips", Ability.of(Equipment.DRY_CELL)),
            named("30 V bench supply", Ability.of(Equipment.DC_SUPPLY).upTo(30)),
            named("Discharge resistor with clips", Ability.of(Equipment.DISCHARGE_TOOL)));

    static final List<StockItem> STOCK = List.of(
            transformer(
                    1,
                    new TransformerSize.Candidate(
                            "Grey frame, from a scrapped tuner",
                            80,
                            270,
                            0.09,
                            TransformerSize.CentreTap.FREE,
                            6.3,
                            3.5,
                            5,
                            2,
                            true)),
            transformer(
                    2,
                    new TransformerSize.Candidate(
                            "Black potted, unused",
                            120,
                            355,
                            0.12,
                            TransformerSize.CentreTap.GROUNDED,
                            6.3,
                            4,
                            5,
                            3,
                            true)),
            item(3, StockItem.Kind.CAPACITOR, "47 nF 400 V film polyester, axial 7.5 × 19 mm", "drawer 4"),
            item(4, StockItem.Kind.CAPACITOR, "47 µF 450 V electrolytic, axial 18 × 38 mm", "drawer 5"),
            item(5, StockItem.Kind.FUSE, "1 A slow, 5 x 20 mm", "drawer 1"),
            item(6, StockItem.Kind.TUBE, "12AV6, tested", "shelf B"));

    /** What the invented shop paid last, by the name it orders under. */
    static final Map<String, String> PRICES = Map.of(
            "33 µF 350 V electrolytic, axial 15 × 30 mm", "2.40",
            "22 µF 25 V electrolytic, axial 5.5 × 12 mm", "0.60",
            "22 nF 400 V film polyester, axial 6.5 × 15 mm", "0.55",
            "10 nF 400 V film polyester, axial 6 × 14 mm", "0.50",
            "47 nF 400 V film polyester, axial 7.5 × 19 mm", "0.65",
            "47 nF 275 V AC safety X2, radial 5 × 18 mm", "0.80",
            "10 nF 300 V AC safety Y2 film, radial 7.5 × 18 mm", "0.90",
            "2.2 MΩ 0.6 W metal film", "0.10",
            "50C5", "11.00");

    private DemoBench() {}

    private static Instrument named(String name, Ability... abilities) {
        String id =
                UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8)).toString();
        return new Instrument(id, name, false, List.of(abilities));
    }

    private static StockItem transformer(int number, TransformerSize.Candidate candidate) {
        return new StockItem(id(number), StockItem.Kind.TRANSFORMER, candidate.name(), "", Optional.of(candidate), 0);
    }

    private static StockItem item(int number, StockItem.Kind kind, String name, String place) {
        return new StockItem(id(number), kind, name, place, Optional.empty(), 0);
    }

    private static String id(int number) {
        return "77777777-0000-4000-8000-" + String.format(Locale.ROOT, "%012d", number);
    }
}
