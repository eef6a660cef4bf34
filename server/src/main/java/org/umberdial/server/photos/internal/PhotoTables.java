package org.umberdial.server.photos.internal;

import static org.umberdial.tables.Tables.PHOTO;
import static org.umberdial.tables.Tables.PHOTO_BYTES;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import org.umberdial.server.photos.Photo;
import org.umberdial.server.photos.PhotoService;

@Repository
public class PhotoTables {

    private final DSLContext db;

    PhotoTables(DSLContext db) {
        this.db = db;
    }

    private static Condition of(String shopId, String setId) {
        return PHOTO.SHOP_ID.eq(shopId).and(PHOTO.SET_ID.eq(setId)).and(PHOTO.REMOVED.eq(false));
    }

    public int count(String shopId, String setId) {
        return db.fetchCount(PHOTO, of(shopId, setId));
    }

    public boolean has(String shopId, String photoId) {
        return db.fetchExists(PHOTO, PHOTO.SHOP_ID.eq(shopId), PHOTO.ID.eq(photoId));
    }

    public List<Photo> all(String shopId, String setId) {
        return db.selectFrom(PHOTO)
                .where(of(shopId, setId))
                .orderBy(PHOTO.SEQUENCE)
                .fetch(row -> new Photo(
                        row.get(PHOTO.ID),
                        Photo.Shows.valueOf(row.get(PHOTO.SHOWS)),
                        row.get(PHOTO.PHASE),
                        row.get(PHOTO.CAPTION),
                        row.get(PHOTO.FILE_NAME),
                        row.get(PHOTO.PAGE),
                        row.get(PHOTO.WIDTH),
                        row.get(PHOTO.HEIGHT),
                        Optional.ofNullable(row.get(PHOTO.SHOT_AT)),
                        row.get(PHOTO.RECEIVED_AT),
                        row.get(PHOTO.AUTHOR),
                        Optional.ofNullable(row.get(PHOTO.BEFORE_ID)),
                        row.get(PHOTO.SHOWS_OWNER),
                        row.get(PHOTO.VERSION)));
    }

    @Transactional
    public void insert(String shopId, String setId, Map<Photo, Picture> photos, String uploadHash) {
        photos.forEach((photo, picture) -> insert(shopId, setId, photo, picture, uploadHash));
    }

    /**
     * Whether the file handed over under a picture's id was the same; of those kept by an earlier version nobody knows.
     */
    public boolean same(String shopId, String setId, String photoId, String uploadHash) {
        return db.fetchExists(
                PHOTO,
                PHOTO.SHOP_ID.eq(shopId),
                PHOTO.ID.eq(photoId),
                PHOTO.SET_ID.eq(setId),
                PHOTO.UPLOAD_HASH.isNull().or(PHOTO.UPLOAD_HASH.eq(uploadHash)));
    }

    private void insert(String shopId, String setId, Photo photo, Picture picture, String uploadHash) {
        int added = db.insertInto(PHOTO)
                .set(PHOTO.SHOP_ID, shopId)
                .set(PHOTO.ID, photo.id())
                .set(PHOTO.SET_ID, setId)
                .set(PHOTO.SHOWS, photo.shows().name())
                .set(PHOTO.PHASE, photo.phase())
                .set(PHOTO.CAPTION, photo.caption())
                .set(PHOTO.FILE_NAME, photo.fileName())
                .set(PHOTO.PAGE, photo.page())
                .set(PHOTO.WIDTH, photo.width())
                .set(PHOTO.HEIGHT, photo.height())
                .set(PHOTO.SHOT_AT, photo.shotAt().orElse(null))
                .set(PHOTO.RECEIVED_AT, photo.receivedAt())
                .set(PHOTO.AUTHOR, photo.author())
                .set(PHOTO.SHOWS_OWNER, photo.showsOwner())
                .set(PHOTO.UPLOAD_HASH, uploadHash)
                .onDuplicateKeyIgnore()
                .execute();
        if (added == 1) {
            bytes(shopId, photo.id(), "full", picture.mediaType(), picture.full());
            bytes(shopId, photo.id(), "thumb", "image/jpeg", picture.thumb());
        }
    }

    private void bytes(String shopId, String photoId, String size, String mediaType, byte[] bytes) {
        db.insertInto(
                        PHOTO_BYTES,
                        PHOTO_BYTES.SHOP_ID,
                        PHOTO_BYTES.PHOTO_ID,
                        PHOTO_BYTES.SIZE,
                        PHOTO_BYTES.MEDIA_TYPE,
                        PHOTO_BYTES.BYTES)
                .values(shopId, photoId, size, mediaType, bytes)
                .execute();
    }

    public boolean label(String shopId, String setId, Photo photo) {
        return db.update(PHOTO)
                        .set(PHOTO.SHOWS, photo.shows().name())
                        .set(PHOTO.PHASE, photo.phase())
                        .set(PHOTO.CAPTION, photo.caption())
                        .set(PHOTO.BEFORE_ID, photo.beforeId().orElse(null))
                        .set(PHOTO.SHOWS_OWNER, photo.showsOwner())
                        .set(PHOTO.VERSION, photo.version() + 1)
                        .where(of(shopId, setId).and(PHOTO.ID.eq(photo.id())).and(PHOTO.VERSION.eq(photo.version())))
                        .execute()
                == 1;
    }

    public boolean remove(String shopId, String setId, String photoId) {
        return db.update(PHOTO)
                        .set(PHOTO.REMOVED, true)
                        .where(of(shopId, setId).and(PHOTO.ID.eq(photoId)))
                        .execute()
                == 1;
    }

    /**
     * Erases the bytes and the words of pictures that show the owner; their rows stay, hidden, so that an id is not
     * used again.
     */
    public int eraseOwner(String shopId, String setId) {
        List<String> shown = db.select(PHOTO.ID)
                .from(PHOTO)
                .where(PHOTO.SHOP_ID.eq(shopId), PHOTO.SET_ID.eq(setId), PHOTO.SHOWS_OWNER.eq(true))
                .fetch(PHOTO.ID);
        if (!shown.isEmpty()) {
            db.deleteFrom(PHOTO_BYTES)
                    .where(PHOTO_BYTES.SHOP_ID.eq(shopId), PHOTO_BYTES.PHOTO_ID.in(shown))
                    .execute();
            db.update(PHOTO)
                    .set(PHOTO.REMOVED, true)
                    .set(PHOTO.CAPTION, "")
                    .set(PHOTO.FILE_NAME, "")
                    .where(PHOTO.SHOP_ID.eq(shopId), PHOTO.ID.in(shown))
                    .execute();
        }
        return shown.size();
    }

    public Optional<PhotoService.Content> content(String shopId, String setId, String photoId, String size) {
        return db.select(PHOTO_BYTES.MEDIA_TYPE, PHOTO_BYTES.BYTES)
                .from(PHOTO_BYTES)
                .join(PHOTO)
                .on(PHOTO.SHOP_ID.eq(PHOTO_BYTES.SHOP_ID), PHOTO.ID.eq(PHOTO_BYTES.PHOTO_ID))
                .where(of(shopId, setId), PHOTO_BYTES.PHOTO_ID.eq(photoId), PHOTO_BYTES.SIZE.eq(size))
                .fetchOptional(row -> new PhotoService.Content(row.value1(), row.value2()));
    }
}
