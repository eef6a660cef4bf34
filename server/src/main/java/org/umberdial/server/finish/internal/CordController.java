package org.umberdial.server.finish.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
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
import org.umberdial.core.evidence.CordLaid;
import org.umberdial.core.mechanics.LaidCord;
import org.umberdial.core.value.InvalidEntry;
import org.umberdial.server.evidence.EvidenceService;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The dial cord of a set, laid over a picture. */
@RestController
@RequestMapping("/api/sets/{setId}/cord")
class CordController {
    record RoundEdit(
            @NotNull @Size(max = 40) String name, double x, double y, double diameter, boolean clockwise, int turns) {}

    record CordEdit(
            @NotNull UUID id,
            @NotNull @Size(max = 40) String photo,
            @NotNull @Size(max = 12) List<@NotNull @Valid RoundEdit> rounds,
            boolean closed,
            int scaleFrom,
            int scaleTo,
            double scaleMm,
            int pointer,
            int turned,
            @NotNull @Size(max = 80) String spring) {}

    /** A stretch in fractions of the picture. */
    record StretchView(double fromX, double fromY, double toX, double toY) {}

    record CordPhoto(String id, String caption, int width, int height) {}

    /**
     * @param radius of each round in fractions of the picture's width, @param lengthMm under way, @param cutMm with
     *     spare
     */
    record CordReckoned(
            List<StretchView> stretches,
            List<Double> radius,
            List<Double> wraps,
            double lengthMm,
            double cutMm,
            double perTurnMm,
            String runs) {}

    record CordView(
            List<CordPhoto> photos,
            @Schema(nullable = true) CordEdit laid,
            @Schema(nullable = true) CordReckoned reckoned) {}

    /** Of a board without a picture. */
    private static final double BOARD = 0.75;

    private final SetFiles files;
    private final PhotoService photos;
    private final EvidenceService evidence;

    CordController(SetFiles files, PhotoService photos, EvidenceService evidence) {
        this.files = files;
        this.photos = photos;
        this.evidence = evidence;
    }

    @GetMapping
    CordView cord(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        Optional<CordLaid> laid = set.log().latest(CordLaid.class);
        return new CordView(
                photos.all(caller.shopId(), set.id()).stream()
                        .filter(p -> p.width() > 0)
                        .map(p -> new CordPhoto(p.id(), p.caption(), p.width(), p.height()))
                        .toList(),
                laid.map(CordController::edit).orElse(null),
                laid.flatMap(CordController::reckoned).orElse(null));
    }

    private static CordEdit edit(CordLaid laid) {
        return new CordEdit(
                UUID.randomUUID(),
                laid.photo(),
                laid.rounds().stream()
                        .map(r -> new RoundEdit(r.name(), r.x(), r.y(), r.diameter(), r.clockwise(), r.turns()))
                        .toList(),
                laid.closed(),
                laid.scaleFrom(),
                laid.scaleTo(),
                laid.scaleMm(),
                laid.pointer(),
                laid.turned(),
                laid.spring());
    }

    /** A file from elsewhere may have laid what cannot be; then nothing is reckoned. */
    private static Optional<CordReckoned> reckoned(CordLaid laid) {
        try {
            return Optional.of(reckon(laid));
        } catch (InvalidEntry cannotBe) {
            return Optional.empty();
        }
    }

    private static CordReckoned reckon(CordLaid laid) {
        LaidCord cord = LaidCord.of(laid);
        double wide = cord.mmPerWidth();
        double high = wide * laid.aspect();
        List<Double> radius = new ArrayList<>();
        laid.rounds().forEach(r -> radius.add(r.diameter() / 2 / wide));
        return new CordReckoned(
                cord.cord().stretches().stream()
                        .map(s -> new StretchView(s.fromX() / wide, s.fromY() / high, s.toX() / wide, s.toY() / high))
                        .toList(),
                radius,
                cord.cord().rounds().stream()
                        .map(r -> r.angle() / (2 * Math.PI))
                        .toList(),
                cord.cord().length(),
                cord.cord().length() + LaidCord.SPARE,
                cord.perTurn(),
                cord.runs());
    }

    /** The way of a cord, without keeping it. */
    @PostMapping("/previews")
    CordReckoned preview(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CordEdit edit) {
        return reckon(laid(caller, setId, edit));
    }

    @PostMapping
    CordView keep(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody CordEdit edit) {
        CordLaid laid = laid(caller, setId, edit);
        LaidCord.of(laid);
        evidence.keep(caller, setId.toString(), edit.id.toString(), laid, Optional.empty());
        return cord(caller, setId);
    }

    private CordLaid laid(Caller caller, UUID setId, CordEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        double aspect = edit.photo.isEmpty()
                ? BOARD
                : photos.all(caller.shopId(), set.id()).stream()
                        .filter(p -> p.id().equals(edit.photo) && p.width() > 0)
                        .findFirst()
                        .map((Photo p) -> p.height() / (double) p.width())
                        .orElseThrow(() -> new InvalidEntry(
                                        InvalidEntry.Code.UNKNOWN,
                                        "This picture is not there any more; choose another.")
                                .at("photo"));
        return new CordLaid(
                edit.photo,
                aspect,
                edit.rounds.stream()
                        .map(r -> new CordLaid.Round(r.name.strip(), r.x, r.y, r.diameter, r.clockwise, r.turns))
                        .toList(),
                edit.closed,
                edit.scaleFrom,
                edit.scaleTo,
                edit.scaleMm,
                edit.pointer,
                edit.turned,
                edit.spring.strip());
    }
}
