package org.umberdial.server.instrument.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.claim.Verdict;
import org.umberdial.core.instrument.Ability;
import org.umberdial.core.instrument.Equipment;
import org.umberdial.core.instrument.Instrument;
import org.umberdial.core.reading.Meter;
import org.umberdial.core.value.DecimalSign;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.instrument.ControlReading;
import org.umberdial.server.instrument.InstrumentService;
import org.umberdial.server.instrument.ShopInstrument;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;

/** What the bench measures with, how far each reaches, and what they showed on known-good parts. */
@RestController
@RequestMapping("/api/instruments")
class InstrumentController {
    record ControlReadingView(
            Equipment kind,
            String part,
            String known,
            String shown,
            Instant at,
            String author,
            String says,
            Verdict word) {}

    /** An ability as it is typed, each limit empty when nobody said; {@code says} is all of it in words. */
    record AbilityView(
            Equipment kind,
            String label,
            String says,
            String input,
            String accuracyPercent,
            String highest,
            String testVolts,
            String outputOhms,
            String response) {}

    record InstrumentView(
            String id,
            String name,
            boolean retired,
            int version,
            List<AbilityView> abilities,
            List<ControlReadingView> lastControls) {}

    /** What a kind of instrument is called, what it must be able to do, and which limits are asked of it. */
    record InstrumentKind(Equipment id, String label, String what, Unit unit, List<Equipment.Limit> limits) {}

    /** Limits as typed; empty where nobody knows. */
    record AbilityEdit(
            @NotNull Equipment kind,
            @NotNull String input,
            @NotNull String accuracyPercent,
            @NotNull String highest,
            @NotNull String testVolts,
            @NotNull String outputOhms,
            @NotNull String response) {}

    record InstrumentEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 120) String name,
            boolean retired,
            int version,
            @NotNull @Size(max = 20) List<@NotNull @Valid AbilityEdit> abilities) {}

    record ControlReadingEdit(
            @NotNull UUID id,
            @NotNull Equipment kind,
            @NotBlank @Size(max = 120) String part,
            @NotNull Unit unit,
            @NotBlank @Size(max = 40) String known,
            @NotBlank @Size(max = 40) String shown) {}

    private final InstrumentService instruments;
    private final ShopService shops;

    InstrumentController(InstrumentService instruments, ShopService shops) {
        this.instruments = instruments;
        this.shops = shops;
    }

    @GetMapping
    List<InstrumentView> instruments(@AuthenticationPrincipal Caller caller) {
        Speech speech = speech(caller);
        return instruments.instruments(caller.shopId()).stream()
                .map(one -> view(one, speech))
                .toList();
    }

    @GetMapping("/kinds")
    List<InstrumentKind> kinds() {
        return Arrays.stream(Equipment.values())
                .map(kind -> new InstrumentKind(kind, kind.label(), kind.what(), kind.unit(), kind.limits()))
                .toList();
    }

    @PostMapping
    InstrumentView add(@AuthenticationPrincipal Caller caller, @Valid @RequestBody InstrumentEdit edit) {
        Speech speech = speech(caller);
        return view(instruments.add(caller.shopId(), instrument(edit, speech)), speech);
    }

    @PutMapping("/{id}")
    InstrumentView save(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID id, @Valid @RequestBody InstrumentEdit edit) {
        Speech speech = speech(caller);
        return view(instruments.save(caller.shopId(), instrument(edit, speech), edit.version), speech);
    }

    @GetMapping("/{id}/controls")
    List<ControlReadingView> controls(@AuthenticationPrincipal Caller caller, @PathVariable UUID id) {
        instruments.require(caller.shopId(), id.toString());
        Speech speech = speech(caller);
        return instruments.controls(caller.shopId(), id.toString()).stream()
                .map(one -> view(one, speech))
                .toList();
    }

    /** A reading on a part known to be good; the same id again changes nothing. */
    @PostMapping("/{id}/controls")
    List<ControlReadingView> control(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID id,
            @Valid @RequestBody ControlReadingEdit edit) {
        Speech speech = speech(caller);
        double known = read(speech, edit.known, edit.unit, "known");
        if (!(known > 0)) {
            throw new InvalidEntry(InvalidEntry.Code.OUT_OF_RANGE, "A known-good part has a value above zero.")
                    .at("known");
        }
        instruments.keep(
                caller,
                id.toString(),
                new ControlReading(
                        edit.id.toString(),
                        edit.kind,
                        edit.part.strip(),
                        edit.unit,
                        known,
                        read(speech, edit.shown, edit.unit, "shown"),
                        Instant.EPOCH,
                        ""));
        return controls(caller, id);
    }

    /** How the shop writes figures, and how far off it lets an instrument be, a fraction. */
    private record Speech(DecimalSign sign, double trust) {
        ValueReader values() {
            return new ValueReader(sign);
        }

        String typed(double value) {
            String text = Engineering.exact(value);
            return sign == DecimalSign.COMMA ? text.replace('.', ',') : text;
        }
    }

    private Speech speech(Caller caller) {
        var policy = shops.shop(caller.shopId()).policy();
        return new Speech(policy.decimalSign(), policy.cold().instrumentTrust());
    }

    private static Instrument instrument(InstrumentEdit edit, Speech speech) {
        List<Ability> abilities = new ArrayList<>();
        for (int i = 0; i < edit.abilities.size(); i++) {
            abilities.add(ability(edit.abilities.get(i), speech));
        }
        return new Instrument(edit.id.toString(), edit.name.strip(), edit.retired, abilities);
    }

    /** Its faults are found by kind and limit: {@code VOLTMETER.input}. */
    private static Ability ability(AbilityEdit edit, Speech speech) {
        try {
            return new Ability(
                    edit.kind,
                    edit.input.isBlank() ? Optional.empty() : Optional.of(meter(edit.input)),
                    some(speech, edit.accuracyPercent.replaceAll("\\s*%$", ""), Unit.PERCENT, "accuracyPercent", 0.01),
                    some(speech, edit.highest, edit.kind.unit(), "highest", 1),
                    testVolts(speech, edit.testVolts),
                    some(speech, edit.outputOhms, Unit.OHM, "outputOhms", 1),
                    edit.response.isBlank() ? Optional.empty() : Optional.of(response(edit.response)));
        } catch (InvalidEntry refused) {
            throw refused.at(edit.kind + "." + refused.field());
        }
    }

    private static Meter meter(String text) {
        try {
            return Meter.parse(text);
        } catch (InvalidEntry refused) {
            throw refused.at("input");
        }
    }

    private static Ability.Response response(String text) {
        return Arrays.stream(Ability.Response.values())
                .filter(known -> known.name().equals(text))
                .findFirst()
                .orElseThrow(() -> new InvalidEntry(
                                InvalidEntry.Code.UNKNOWN, "An AC range answers to the average or to the true RMS.")
                        .at("response"));
    }

    private static OptionalDouble some(Speech speech, String text, Unit unit, String field, double scale) {
        return text.isBlank() ? OptionalDouble.empty() : OptionalDouble.of(scale * read(speech, text, unit, field));
    }

    private static List<Double> testVolts(Speech speech, String text) {
        return Arrays.stream(
                        text.replaceAll("(?i)\\s*v(olts?)?\\b", " ").strip().split("[\\s;/]+"))
                .filter(word -> !word.isEmpty())
                .map(word -> read(speech, word.replaceAll(",$", ""), Unit.VOLT, "testVolts"))
                .toList();
    }

    private static double read(Speech speech, String text, Unit unit, String field) {
        try {
            return speech.values().read(text, unit).value();
        } catch (InvalidEntry refused) {
            throw refused.at(field);
        }
    }

    private static InstrumentView view(ShopInstrument one, Speech speech) {
        return new InstrumentView(
                one.id(),
                one.instrument().name(),
                one.instrument().retired(),
                one.version(),
                one.instrument().abilities().stream().map(a -> view(a, speech)).toList(),
                one.lastControls().stream().map(read -> view(read, speech)).toList());
    }

    private static AbilityView view(Ability a, Speech speech) {
        return new AbilityView(
                a.kind(),
                a.kind().label(),
                a.says(),
                a.input().map(Meter::notation).orElse(""),
                typed(a.accuracy(), 100, speech),
                typed(a.highest(), 1, speech),
                a.testVolts().stream()
                        .map(volts ->
                                BigDecimal.valueOf(volts).stripTrailingZeros().toPlainString())
                        .collect(java.util.stream.Collectors.joining(" ")),
                typed(a.outputOhms(), 1, speech),
                a.response().map(Enum::name).orElse(""));
    }

    private static String typed(OptionalDouble value, double scale, Speech speech) {
        return value.isPresent() ? speech.typed(scale * value.getAsDouble()) : "";
    }

    private static ControlReadingView view(ControlReading read, Speech speech) {
        long off = Math.round(100 * Math.abs(read.off()));
        boolean trusted = Math.abs(read.off()) <= speech.trust;
        String says = off == 0
                ? "reads it right"
                : "reads it " + off + " % " + (read.off() > 0 ? "high" : "low")
                        + (trusted ? "" : ": the instrument, its battery or its leads, before any part");
        return new ControlReadingView(
                read.kind(),
                read.part(),
                Engineering.print(read.known(), read.unit()),
                Engineering.print(read.shown(), read.unit()),
                read.at(),
                read.author(),
                says,
                trusted ? Verdict.GOOD : Verdict.BAD);
    }
}
