package org.umberdial.server.parts.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.evidence.Wired;
import org.umberdial.core.recap.Wiring;
import org.umberdial.core.value.Engineering;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.core.value.Unit;
import org.umberdial.core.value.ValueReader;
import org.umberdial.core.value.WireSize;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The wires of a set, from where to where. */
@RestController
@RequestMapping("/api/sets/{setId}/wires")
class WiringController {
    private static final double MOST_VOLTS = 100_000;

    record WireView(
            String entry,
            String from,
            String to,
            String colour,
            String size,
            String rated,
            Wired.Made made,
            String madeLabel,
            String note,
            String doubt,
            String says,
            boolean checked) {}

    record WireWayView(Wired.Made id, String label) {}

    record WiringView(int revision, List<WireView> wires, List<WireWayView> ways) {}

    /** @param size as typed, a gauge or an area; may be empty, @param volts of its insulation as typed; may be empty */
    record WireEdit(
            @NotNull UUID id,
            @NotBlank @Size(max = 60) String from,
            @NotBlank @Size(max = 60) String to,
            @NotNull @Size(max = 40) String colour,
            @NotNull @Size(max = 20) String size,
            @NotNull @Size(max = 20) String volts,
            @NotNull Wired.Made made,
            @NotNull @Size(max = 200) String note) {}

    private final SetFiles files;
    private final EvidenceService evidence;

    WiringController(SetFiles files, EvidenceService evidence) {
        this.files = files;
        this.evidence = evidence;
    }

    @GetMapping
    WiringView wires(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        return new WiringView(
                set.revision(),
                Wiring.of(set.file()).stream()
                        .map(one -> new WireView(
                                one.entry(),
                                one.wired().from(),
                                one.wired().to(),
                                one.wired().colour(),
                                WireSize.print(one.wired().squareMillimetres()),
                                one.wired().ratedVolts() > 0
                                        ? Engineering.round(one.wired().ratedVolts(), Unit.VOLT)
                                        : "",
                                one.wired().made(),
                                one.wired().made().label(),
                                one.wired().note(),
                                one.doubt(),
                                one.says(),
                                one.checked()))
                        .toList(),
                Arrays.stream(Wired.Made.values())
                        .map(made -> new WireWayView(made, made.label()))
                        .toList());
    }

    @PostMapping
    WiringView note(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody WireEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        if (edit.from.strip().equalsIgnoreCase(edit.to.strip())) {
            throw new InvalidEntry(InvalidEntry.Code.SYNTAX, "A wire has two ends; this names one twice.").at("to");
        }
        evidence.keep(
                caller,
                setId.toString(),
                edit.id.toString(),
                new Wired(
                        edit.from.strip(),
                        edit.to.strip(),
                        edit.colour.strip(),
                        size(edit.size),
                        volts(edit.volts, new ValueReader(set.policy().decimalSign())),
                        edit.made,
                        edit.note.strip()),
                Optional.empty());
        return wires(caller, setId);
    }

    private static double size(String typed) {
        try {
            return WireSize.squareMillimetres(typed);
        } catch (InvalidEntry refused) {
            throw refused.at("size");
        }
    }

    private static double volts(String typed, ValueReader values) {
        if (typed.isBlank()) {
            return 0;
        }
        try {
            double volts = values.read(typed.strip(), Unit.VOLT).value();
            if (!(volts > 0 && volts <= MOST_VOLTS)) {
                throw new InvalidEntry(
                        InvalidEntry.Code.OUT_OF_RANGE,
                        "Insulation stands more than 0 V; write its rating, as in 600.");
            }
            return volts;
        } catch (InvalidEntry refused) {
            throw refused.at("volts");
        }
    }
}
