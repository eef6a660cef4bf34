package org.umberdial.server.photos.internal;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.http.CacheControl;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.umberdial.server.limits.Uploads;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;

/**
 * Pictures in and out. An upload is the file's own bytes under an id the sender made, so that sending it again is safe.
 */
@RestController
@RequestMapping("/api/sets/{setId}/photos")
class PhotoController {
    private static final int LARGEST = 64_000_000;
    private static final Set<String> PHASES =
            Set.of("ARRIVAL", "COLD", "PARTS", "RECAP", "POWER", "VOLTS", "MOTION", "TUNE", "HANDOVER");

    record PhotoView(
            String id,
            Photo.Shows shows,
            String phase,
            String caption,
            String fileName,
            int page,
            int width,
            int height,
            @Schema(nullable = true) Instant shotAt,
            Instant receivedAt,
            String author,
            @Schema(nullable = true) String beforeId,
            boolean showsOwner,
            int version) {}

    record PhotoEdit(
            @NotNull Photo.Shows shows,
            @NotNull String phase,
            @NotNull @Size(max = 200) String caption,
            @Schema(nullable = true) UUID beforeId,
            boolean showsOwner,
            int version) {}

    private final PhotoService photos;
    private final Uploads uploads;
    private final Clock clock;

    PhotoController(PhotoService photos, Uploads uploads, Clock clock) {
        this.photos = photos;
        this.uploads = uploads;
        this.clock = clock;
    }

    @GetMapping
    List<PhotoView> all(@AuthenticationPrincipal Caller caller, @PathVariable UUID setId) {
        return photos.all(caller.shopId(), setId.toString()).stream()
                .map(PhotoController::view)
                .toList();
    }

    @PutMapping(path = "/{photoId}/content", consumes = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    List<PhotoView> upload(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID photoId,
            @RequestParam(defaultValue = "") String fileName,
            @RequestParam(defaultValue = "SET") Photo.Shows shows,
            @RequestParam(defaultValue = "ARRIVAL") String phase,
            @RequestParam(defaultValue = "") String caption,
            @RequestParam(required = false) Instant takenAt,
            HttpServletRequest request) {
        Photo label = new Photo(
                photoId.toString(),
                shows,
                phase(phase),
                shortened(caption, 180),
                shortened(fileName, 120),
                0,
                0,
                0,
                Optional.ofNullable(takenAt),
                clock.instant(),
                caller.author(),
                Optional.empty(),
                false,
                0);
        return uploads.take(caller, request, LARGEST, "The file", file -> {
            photos.keep(caller, setId.toString(), label, file);
            return all(caller, setId);
        });
    }

    @PutMapping("/{photoId}")
    List<PhotoView> label(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID photoId,
            @Valid @RequestBody PhotoEdit edit) {
        photos.label(
                caller.shopId(),
                setId.toString(),
                new Photo(
                        photoId.toString(),
                        edit.shows,
                        phase(edit.phase),
                        edit.caption.strip(),
                        "",
                        0,
                        0,
                        0,
                        Optional.empty(),
                        clock.instant(),
                        caller.author(),
                        Optional.ofNullable(edit.beforeId).map(UUID::toString),
                        edit.showsOwner,
                        edit.version));
        return all(caller, setId);
    }

    @DeleteMapping("/{photoId}")
    List<PhotoView> remove(
            @AuthenticationPrincipal Caller caller, @PathVariable UUID setId, @PathVariable UUID photoId) {
        photos.remove(caller.shopId(), setId.toString(), photoId.toString());
        return all(caller, setId);
    }

    /**
     * {@code full} or {@code thumb}. Asked for anew each time, so that one that was taken away is gone at once;
     * unchanged, it is not sent again.
     */
    @GetMapping("/{photoId}/{size:[a-z]+}")
    ResponseEntity<byte[]> content(
            @AuthenticationPrincipal Caller caller,
            @PathVariable UUID setId,
            @PathVariable UUID photoId,
            @PathVariable String size) {
        PhotoService.Content content = photos.content(caller.shopId(), setId.toString(), photoId.toString(), size)
                .orElseThrow(() -> Problem.notFound("This picture"));
        // A picture never changes under its id.
        return ResponseEntity.ok()
                .contentType(MediaType.parseMediaType(content.mediaType()))
                .cacheControl(CacheControl.noCache().cachePrivate())
                .eTag("\"" + photoId + size + "\"")
                .body(content.bytes());
    }

    private static String phase(String phase) {
        if (!PHASES.contains(phase)) {
            throw new Problem(
                    Problem.Kind.INVALID_ENTRY,
                    "“" + phase + "” is no phase of the work; they are "
                            + String.join(", ", PHASES.stream().sorted().toList()) + ".");
        }
        return phase;
    }

    private static String shortened(String text, int longest) {
        return text.strip().substring(0, Math.min(longest, text.strip().length()));
    }

    private static PhotoView view(Photo photo) {
        return new PhotoView(
                photo.id(),
                photo.shows(),
                photo.phase(),
                photo.caption(),
                photo.fileName(),
                photo.page(),
                photo.width(),
                photo.height(),
                photo.shotAt().orElse(null),
                photo.receivedAt(),
                photo.author(),
                photo.beforeId().orElse(null),
                photo.showsOwner(),
                photo.version());
    }
}
