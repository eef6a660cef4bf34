package org.umberdial.server.shop.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.policy.HousePolicy;
import org.umberdial.core.policy.Vocabulary;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.Instrument;
import org.umberdial.server.shop.Shop;
import org.umberdial.server.shop.ShopService;

@RestController
@RequestMapping("/api")
class ShopController {
    /** The shop as the client sees it; {@code terms} are the words to put for the North American ones. */
    record ShopView(
            String name,
            String timeZone,
            Vocabulary vocabulary,
            DecimalSign decimalSign,
            double lineVolts,
            double lineHertz,
            double spreadPercent,
            double doubtPercent,
            double gridRiseVolts,
            double wattsMargin,
            double driftPercent,
            double heaterOverPercent,
            double safeVolts,
            double bleedOhms,
            double insulationMegohms,
            double touchMilliamperes,
            double halvesPercent,
            double vaHeadroom,
            double usualSpreadPercent,
            double loadApartPercent,
            double proportionApartPercent,
            double injectionVolts,
            double instrumentTrustPercent,
            double copperDoubtfulCelsius,
            double copperMostCelsius,
            BigDecimal hourRate,
            String money,
            int version,
            Map<String, String> terms) {}

    record ShopEdit(
            @NotBlank @Size(max = 120) String name,
            @NotBlank String timeZone,
            @NotNull Vocabulary vocabulary,
            @NotNull DecimalSign decimalSign,
            double lineVolts,
            double lineHertz,
            double spreadPercent,
            double doubtPercent,
            double gridRiseVolts,
            double wattsMargin,
            double driftPercent,
            double heaterOverPercent,
            double safeVolts,
            double bleedOhms,
            double insulationMegohms,
            double touchMilliamperes,
            double halvesPercent,
            double vaHeadroom,
            double usualSpreadPercent,
            double loadApartPercent,
            double proportionApartPercent,
            double injectionVolts,
            double instrumentTrustPercent,
            double copperDoubtfulCelsius,
            double copperMostCelsius,
            @NotNull BigDecimal hourRate,
            @NotBlank @Size(max = 10) String money,
            int version) {}

    record InstrumentView(String id, String name, String meter, double accuracyPercent, boolean retired, int version) {}

    record InstrumentEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 120) String name,
            @NotBlank String meter,
            double accuracyPercent,
            boolean retired,
            int version) {}

    private final ShopService shops;

    ShopController(ShopService shops) {
        this.shops = shops;
    }

    @GetMapping("/shop")
    ShopView shop(@AuthenticationPrincipal Caller caller) {
        return view(shops.shop(caller.shopId()));
    }

    @PutMapping("/shop")
    ShopView save(@AuthenticationPrincipal Caller caller, @Valid @RequestBody ShopEdit edit) {
        HousePolicy policy = new HousePolicy(
                new HousePolicy.Words(edit.vocabulary, edit.decimalSign),
                new HousePolicy.Line(
                        within(edit.lineVolts, 90, 260, "lineVolts", "A line voltage is between 90 and 260 V"),
                        within(
                                edit.lineHertz,
                                16,
                                400,
                                "lineHertz",
                                "A line frequency is 50 or 60 Hz; 16 to 400 Hz are taken")),
                new HousePolicy.Volts(
                        within(
                                        edit.spreadPercent,
                                        1,
                                        50,
                                        "spreadPercent",
                                        "The normal spread is 10 or 20 %; 1 to 50 % are taken")
                                / 100,
                        within(edit.doubtPercent, 0, 50, "doubtPercent", "The doubtful margin is 0 to 50 %") / 100,
                        within(
                                edit.gridRiseVolts,
                                0.02,
                                5,
                                "gridRiseVolts",
                                "The grid rise is a fraction of a volt; 0.02 to 5 V are taken"),
                        within(edit.wattsMargin, 1, 10, "wattsMargin", "The watts margin is 1 to 10 times"),
                        within(edit.driftPercent, 1, 50, "driftPercent", "The drift alarm is 1 to 50 %") / 100,
                        within(
                                        edit.heaterOverPercent,
                                        1,
                                        30,
                                        "heaterOverPercent",
                                        "A heater may run 5 or 10 % over; 1 to 30 % are taken")
                                / 100,
                        within(
                                        edit.usualSpreadPercent,
                                        5,
                                        100,
                                        "usualSpreadPercent",
                                        "Usual values lie within 5 to 100 %")
                                / 100),
                new HousePolicy.Cold(
                        within(edit.safeVolts, 5, 60, "safeVolts", "A capacitor is safe to touch at 5 to 60 V"),
                        within(edit.bleedOhms, 100, 1e6, "bleedOhms", "A bleed resistor has 100 to 1000000 Ω"),
                        within(
                                        edit.insulationMegohms,
                                        0.5,
                                        1000,
                                        "insulationMegohms",
                                        "Insulation is judged at 0.5 to 1000 MΩ")
                                * 1e6,
                        within(
                                        edit.touchMilliamperes,
                                        0.05,
                                        5,
                                        "touchMilliamperes",
                                        "A touch current is limited to 0.05 to 5 mA")
                                / 1e3,
                        within(edit.halvesPercent, 1, 50, "halvesPercent", "Halves may differ by 1 to 50 %") / 100,
                        within(
                                edit.vaHeadroom,
                                1,
                                5,
                                "vaHeadroom",
                                "A transformer's headroom is 1 to 5 times its load"),
                        within(
                                        edit.loadApartPercent,
                                        5,
                                        100,
                                        "loadApartPercent",
                                        "An output load may lie 5 to 100 % off")
                                / 100,
                        within(
                                        edit.proportionApartPercent,
                                        0.5,
                                        20,
                                        "proportionApartPercent",
                                        "A winding may stray 0.5 to 20 %")
                                / 100,
                        within(
                                edit.injectionVolts,
                                5,
                                60,
                                "injectionVolts",
                                "A winding may stand at 5 to 60 V when fed"),
                        within(
                                        edit.instrumentTrustPercent,
                                        0.5,
                                        20,
                                        "instrumentTrustPercent",
                                        "An instrument may be 0.5 to 20 % off")
                                / 100,
                        within(
                                edit.copperDoubtfulCelsius,
                                40,
                                150,
                                "copperDoubtfulCelsius",
                                "Copper is doubtful from 40 to 150 °C"),
                        within(edit.copperMostCelsius, 60, 180, "copperMostCelsius", "Copper stands 60 to 180 °C")),
                new HousePolicy.Worth(hourRate(edit.hourRate), edit.money.strip()));
        return view(
                shops.save(new Shop(caller.shopId(), edit.name.strip(), zone(edit.timeZone), policy, edit.version)));
    }

    @GetMapping("/instruments")
    List<InstrumentView> instruments(@AuthenticationPrincipal Caller caller) {
        return shops.instruments(caller.shopId()).stream()
                .map(ShopController::view)
                .toList();
    }

    @PostMapping("/instruments")
    InstrumentView add(@AuthenticationPrincipal Caller caller, @Valid @RequestBody InstrumentEdit edit) {
        return view(shops.add(caller.shopId(), instrument(edit)));
    }

    @PutMapping("/instruments/{id}")
    InstrumentView save(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID id, @Valid @RequestBody InstrumentEdit edit) {
        return view(shops.save(caller.shopId(), instrument(edit)));
    }

    private static Instrument instrument(InstrumentEdit edit) {
        Meter meter;
        try {
            meter = Meter.parse(edit.meter);
        } catch (InvalidEntry refused) {
            throw refused.at("meter");
        }
        return new Instrument(
                edit.id.toString(),
                edit.name.strip(),
                meter,
                within(edit.accuracyPercent, 0, 20, "accuracyPercent", "A meter's accuracy is 0 to 20 %") / 100,
                edit.retired,
                edit.version);
    }

    private static double within(double value, double least, double most, String field, String rule) {
        if (!(value >= least && value <= most)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, rule + ", not " + value + ".").at(field);
        }
        return value;
    }

    private static BigDecimal hourRate(BigDecimal rate) {
        within(rate.doubleValue(), 0, 10_000, "hourRate", "An hour costs 0 to 10000");
        return rate.setScale(2, RoundingMode.HALF_EVEN);
    }

    private static ZoneId zone(String name) {
        try {
            return ZoneId.of(name);
        } catch (DateTimeException e) {
            throw new InvalidEntry(
                            InvalidEntry.Code.UNKNOWN,
                            "“" + name + "” is no time zone; write one like Europe/Vienna or America/Chicago.")
                    .at("timeZone");
        }
    }

    private static ShopView view(Shop shop) {
        HousePolicy p = shop.policy();
        return new ShopView(
                shop.name(),
                shop.timeZone().getId(),
                p.vocabulary(),
                p.decimalSign(),
                p.lineVolts(),
                p.lineHertz(),
                percent(p.spread()),
                percent(p.doubtMargin()),
                p.gridRiseVolts(),
                p.wattsMargin(),
                percent(p.driftFraction()),
                percent(p.heaterOver()),
                p.safeVolts(),
                p.bleedOhms(),
                p.insulationOhms() / 1e6,
                p.touchAmperes() * 1e3,
                percent(p.halvesApart()),
                p.vaHeadroom(),
                percent(p.usualSpread()),
                percent(p.loadApart()),
                percent(p.proportionApart()),
                p.injectionVolts(),
                percent(p.cold().instrumentTrust()),
                p.cold().copperDoubtfulCelsius(),
                p.cold().copperMostCelsius(),
                p.hourRate(),
                p.money(),
                shop.version(),
                p.vocabulary().terms());
    }

    private static double percent(double fraction) {
        return Math.round(fraction * 1e5) / 1e3;
    }

    private static InstrumentView view(Instrument i) {
        return new InstrumentView(
                i.id(), i.name(), i.meter().notation(), percent(i.accuracy()), i.retired(), i.version());
    }
}
