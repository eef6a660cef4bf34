package org.umberdial.server.parts.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.MicaDots;
import org.umberdial.core.value.Ohms;
import org.umberdial.core.value.ResistorColours;
import org.umberdial.core.value.ResistorColours.Colour;
import org.umberdial.core.value.Tolerance;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.server.security.Caller;
import org.umberdial.server.shop.ShopService;

/** Values from the colours on old parts, and colours for a value. */
@RestController
@RequestMapping("/api/colours")
class ColoursController {
    /** How the colours lie. */
    enum Scheme {
        BANDS,
        /** Body, end, dot, other end. */
        BODY_END_DOT,
        /** Upper row along the arrow, then the lower one. */
        MICA_DOTS
    }

    record ColoursSeen(
            @NotNull Scheme scheme, @NotNull @Size(max = 6) List<@NotNull Colour> colours) {}

    /**
     * One way to read them.
     *
     * @param entry as one would type it
     */
    record ColoursRead(String says, String entry) {}

    /** @param value as typed */
    record ColoursAsked(
            @NotNull @Size(max = 20) String value,
            @Schema(nullable = true) Double tolerancePercent) {}

    /** @param bodyEndDot body, end, dot, other end */
    record ColoursFor(String value, List<Colour> bands, List<Colour> bodyEndDot) {}

    private final ShopService shops;

    ColoursController(ShopService shops) {
        this.shops = shops;
    }

    @PostMapping("/readings")
    List<ColoursRead> read(@Valid @RequestBody ColoursSeen seen) {
        List<Colour> colours = seen.colours;
        return switch (seen.scheme) {
            case BANDS -> List.of(resistor(ResistorColours.bands(colours)));
            case BODY_END_DOT -> {
                if (colours.size() != 4) {
                    throw new InvalidEntry(
                            InvalidEntry.Code.OUT_OF_RANGE, "Tap body, end, dot and the other end, four colours.");
                }
                yield List.of(resistor(
                        ResistorColours.bodyEndDot(colours.get(0), colours.get(1), colours.get(2), colours.get(3))));
            }
            case MICA_DOTS ->
                MicaDots.read(colours).stream()
                        .map(one -> new ColoursRead(
                                Engineering.round(one.farads(), Unit.FARAD) + percent(one.tolerance())
                                        + (one.volts() > 0 ? ", " + Math.round(one.volts()) + " V" : "") + ", read as "
                                        + one.scheme(),
                                Engineering.exact(one.farads())))
                        .toList();
        };
    }

    private static ColoursRead resistor(ResistorColours.Marked marked) {
        return new ColoursRead(
                Engineering.round(marked.nominal().value(), Unit.OHM) + percent(marked.tolerance()),
                Engineering.exact(marked.nominal().value()));
    }

    private static String percent(Tolerance tolerance) {
        return " ± " + Engineering.plain(tolerance.percent()) + " %";
    }

    /** What to look for in the drawer, or to paint. */
    @PostMapping("/of-values")
    ColoursFor of(@AuthenticationPrincipal Caller caller, @Valid @RequestBody ColoursAsked asked) {
        try {
            double ohms = new ValueReader(shops.shop(caller.shopId()).policy().decimalSign())
                    .read(asked.value.strip(), Unit.OHM)
                    .value();
            if (!(ohms > 0)) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE, "A resistor has more than 0 Ω; write its value, as in 4.7k.");
            }
            double percent = asked.tolerancePercent == null ? 20 : asked.tolerancePercent;
            List<Colour> bands = ResistorColours.bandsFor(new Ohms(ohms), Tolerance.percent(percent));
            Colour other = bands.size() > 3 ? bands.get(3) : bands.get(0);
            return new ColoursFor(
                    Engineering.round(ohms, Unit.OHM), bands, List.of(bands.get(0), bands.get(1), bands.get(2), other));
        } catch (InvalidEntry refused) {
            throw refused.at("value");
        }
    }
}
