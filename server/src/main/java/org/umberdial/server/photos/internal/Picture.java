package org.umberdial.server.photos.internal;

import java.time.Instant;
import java.util.Optional;

/**
 * A picture made ready to keep.
 *
 * @param mediaType of {@code full}; thumbnails are always JPEG
 */
public record Picture(
        byte[] full, String mediaType, byte[] thumb, int width, int height, int page, Optional<Instant> shotAt) {}
