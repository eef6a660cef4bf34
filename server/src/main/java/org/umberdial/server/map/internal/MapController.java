package org.umberdial.server.map.internal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.DecimalMax;
import jakarta.validation.constraints.DecimalMin;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.core.cold.Roles;
import org.umberdial.core.proof.ProofSheet;
import org.umberdial.core.proof.ProofState;
import org.umberdial.server.map.MapService;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.setfile.OpenSet;
import org.umberdial.server.setfile.SetFiles;

/** The proof map: how every part and point stands, and where each is on the set's pictures. */
@RestController
@RequestMapping("/api/sets/{setId}")
class MapController {
    record Stand(String subject, String name, boolean point, ProofState state, String stateLabel, String reason) {}

    record Mark(String photo, String subject, double x, double y) {}

    record MapPicture(String id, String caption, Photo.Shows shows, int width, int height) {}

    /** {@code left} counts parts and points with something to do. */
    record MapView(
            int revision, String title, List<MapPicture> pictures, List<Mark> marks, List<Stand> stands, int left) {}

    record MarkEdit(
            @NotNull UUID photo,
            @NotBlank @Size(max = 60) String subject,
            @DecimalMin("0") @DecimalMax("1") double x,
            @DecimalMin("0") @DecimalMax("1") double y) {}

    private final SetFiles files;
    private final MapService map;
    private final PhotoService photos;

    MapController(SetFiles files, MapService map, PhotoService photos) {
        this.files = files;
        this.map = map;
        this.photos = photos;
    }

    @GetMapping("/map")
    MapView map(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        String shopId = caller.shopId();
        OpenSet set = files.open(shopId, setId.toString());
        List<Stand> stands = ProofSheet.of(set.file()).stream()
                .map(p -> new Stand(
                        p.subject(), p.name(), p.point(), p.state(), p.state().label(), p.reason()))
                .toList();
        List<MapPicture> pictures = photos.all(shopId, set.id()).stream()
                .map(p -> new MapPicture(
                        p.id(), p.caption().isEmpty() ? p.fileName() : p.caption(), p.shows(), p.width(), p.height()))
                .toList();
        List<Mark> placed = map.marks(shopId, set.id()).stream()
                .map(mark -> new Mark(mark.photo(), mark.subject(), mark.x(), mark.y()))
                .toList();
        return new MapView(set.revision(), set.stored().label().title(), pictures, placed, stands, (int)
                stands.stream().filter(s -> s.state().open()).count());
    }

    /** Places or moves the mark of a part or point on a picture. */
    @PutMapping("/marks")
    MapView mark(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @Valid @RequestBody MarkEdit edit) {
        OpenSet set = files.open(caller.shopId(), setId.toString());
        String subject = set.set()
                .part(edit.subject)
                .map(part -> part.reference())
                .or(() -> set.set().pointAt(edit.subject).map(point -> point.node()))
                .or(() -> Optional.of(edit.subject).filter(List.of(Roles.CORD, Roles.FUSE)::contains))
                .orElseThrow(() -> Problem.notFound("The part or point " + edit.subject));
        if (photos.all(caller.shopId(), set.id()).stream()
                .noneMatch(photo -> photo.id().equals(edit.photo.toString()))) {
            throw Problem.notFound("This picture");
        }
        map.put(caller.shopId(), set.id(), new MapService.PlacedMark(edit.photo.toString(), subject, edit.x, edit.y));
        return map(caller, setId);
    }

    @DeleteMapping("/marks")
    MapView unmark(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @RequestParam UUID photo,
            @RequestParam String subject) {
        map.remove(caller.shopId(), setId.toString(), photo.toString(), subject);
        return map(caller, setId);
    }
}
