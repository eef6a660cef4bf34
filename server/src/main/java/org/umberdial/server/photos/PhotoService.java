package org.umberdial.server.photos;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.server.photos.internal.PhotoTables;
import org.umberdial.server.photos.internal.Picture;
import org.umberdial.server.photos.internal.Pictures;
import org.umberdial.server.problem.Problem;
import org.umberdial.server.security.Caller;
import org.umberdial.server.security.Sha256;
import org.umberdial.server.sets.SetService;
import org.umberdial.server.shop.ShopService;

/** The pictures of a set. What is taken away is hidden at once, everywhere; the log may still speak of it. */
@Service
public class PhotoService {
    /** A picture's bytes in one size. */
    public record Content(String mediaType, byte[] bytes) {}

    private final PhotoTables tables;
    private final Pictures pictures;
    private final SetService sets;
    private final ShopService shops;
    private final Clock clock;

    public PhotoService(PhotoTables tables, Pictures pictures, SetService sets, ShopService shops, Clock clock) {
        this.tables = tables;
        this.pictures = pictures;
        this.sets = sets;
        this.shops = shops;
        this.clock = clock;
    }

    public int count(String shopId, String setId) {
        return tables.count(shopId, setId);
    }

    /** Every picture that was not taken away, in the order they came. */
    public List<Photo> all(String shopId, String setId) {
        sets.require(shopId, setId);
        return tables.all(shopId, setId);
    }

    /**
     * Makes a file into pictures and keeps them; the same id again changes nothing. The pages of a document get ids
     * that follow from the first.
     *
     * @throws Problem with a sentence when the file is no picture
     */
    public void keep(Caller caller, String setId, Photo label, byte[] file) {
        keep(caller, setId, label, Sha256.of(file), () -> file);
    }

    /** The same from a file on the disk. */
    public void keep(Caller caller, String setId, Photo label, Path file) {
        try {
            keep(caller, setId, label, Sha256.of(file), () -> Files.readAllBytes(file));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void keep(Caller caller, String setId, Photo label, String hash, Pictures.Source file) {
        sets.require(caller.shopId(), setId);
        if (tables.has(caller.shopId(), label.id())) {
            if (!tables.same(caller.shopId(), setId, label.id(), hash)) {
                throw Problem.sameId("A picture");
            }
            return;
        }
        List<Picture> made = pictures.read(
                file,
                label.shows() == Photo.Shows.SHEET,
                shops.shop(caller.shopId()).timeZone());
        Map<Photo, Picture> photos = new LinkedHashMap<>();
        for (int i = 0; i < made.size(); i++) {
            Picture picture = made.get(i);
            String id = i == 0
                    ? label.id()
                    : UUID.nameUUIDFromBytes((label.id() + "/" + i).getBytes(StandardCharsets.UTF_8))
                            .toString();
            String caption = made.size() == 1 ? label.caption() : (label.caption() + " page " + picture.page()).strip();
            photos.put(
                    new Photo(
                            id,
                            label.shows(),
                            label.phase(),
                            caption,
                            label.fileName(),
                            picture.page(),
                            picture.width(),
                            picture.height(),
                            picture.shotAt().or(label::shotAt),
                            clock.instant(),
                            caller.author(),
                            Optional.empty(),
                            label.showsOwner(),
                            0),
                    picture);
        }
        tables.insert(caller.shopId(), setId, photos, hash);
        sets.touch(caller.shopId(), setId, clock.instant());
    }

    /** {@code full} or {@code thumb}; nothing of one that was taken away. */
    public Optional<Content> content(String shopId, String setId, String photoId, String size) {
        return tables.content(shopId, setId, photoId, size);
    }

    /** Erases the pictures that show who the owner is, those taken away before too. How many there were. */
    @Transactional
    public int eraseOwner(String shopId, String setId) {
        int erased = tables.eraseOwner(shopId, setId);
        if (erased > 0) {
            sets.touch(shopId, setId, clock.instant());
        }
        return erased;
    }

    /** Changes what is said about a picture. */
    @Transactional
    public void label(String shopId, String setId, Photo photo) {
        photo.beforeId().ifPresent(before -> {
            if (before.equals(photo.id())
                    || all(shopId, setId).stream().noneMatch(other -> other.id().equals(before))) {
                throw Problem.notFound("The picture from before");
            }
        });
        if (!tables.label(shopId, setId, photo)) {
            throw tables.has(shopId, photo.id())
                    ? Problem.changedMeanwhile("This picture's caption")
                    : Problem.notFound("This picture");
        }
        sets.touch(shopId, setId, clock.instant());
    }

    @Transactional
    public void remove(String shopId, String setId, String photoId) {
        if (!tables.remove(shopId, setId, photoId)) {
            throw Problem.notFound("This picture");
        }
        sets.touch(shopId, setId, clock.instant());
    }
}
