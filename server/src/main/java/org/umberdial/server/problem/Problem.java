package org.umberdial.server.problem;

import java.util.List;
import org.springframework.http.HttpStatus;

/** A request that cannot be done, answered as {@code application/problem+json}. */
public final class Problem extends RuntimeException {
    private static final long serialVersionUID = 1L;

    /** The kinds of problem there are; each has a stable type. */
    public enum Kind {
        INVALID_ENTRY("invalid-entry", "Entry refused", HttpStatus.UNPROCESSABLE_CONTENT),
        ASK_FIRST("ask-first", "Is that right?", HttpStatus.UNPROCESSABLE_CONTENT),
        NOT_FOUND("not-found", "Not found", HttpStatus.NOT_FOUND),
        CHANGED_MEANWHILE("changed-meanwhile", "Changed by somebody else meanwhile", HttpStatus.CONFLICT),
        UNREADABLE("unreadable-request", "Request not understood", HttpStatus.BAD_REQUEST),
        TOO_LARGE("too-large", "Too large", HttpStatus.CONTENT_TOO_LARGE),
        NOT_ALLOWED("not-allowed", "Not allowed", HttpStatus.FORBIDDEN),
        SIGNED_OUT("signed-out", "Signed out", HttpStatus.UNAUTHORIZED),
        TOO_OFTEN("too-often", "Too many tries", HttpStatus.TOO_MANY_REQUESTS),
        PROVE_FIRST("prove-first", "Is it you?", HttpStatus.FORBIDDEN),
        SAME_ID("same-id", "Identifier used already", HttpStatus.CONFLICT),
        TOO_SLOW("too-slow", "Too slow", HttpStatus.REQUEST_TIMEOUT),
        TOO_BUSY("too-busy", "Too busy", HttpStatus.SERVICE_UNAVAILABLE),
        DATABASE_AWAY("database-away", "The database is being started again", HttpStatus.SERVICE_UNAVAILABLE),
        DISK_FULL("disk-full", "The disk is full", HttpStatus.INSUFFICIENT_STORAGE),
        OUR_FAULT("our-fault", "A fault of ours", HttpStatus.INTERNAL_SERVER_ERROR);

        private final String slug;
        private final String title;
        private final HttpStatus status;

        Kind(String slug, String title, HttpStatus status) {
            this.slug = slug;
            this.title = title;
            this.status = status;
        }

        public String type() {
            return "/problems/" + slug;
        }

        public String title() {
            return title;
        }

        public HttpStatus status() {
            return status;
        }
    }

    /**
     * One fault in the request.
     *
     * @param pointer JSON pointer of the field, empty when it concerns the whole
     * @param code stable, for programs
     */
    public record Fault(String pointer, String code, String detail) {}

    private final Kind kind;
    private final transient List<Fault> faults;
    private final int retryAfterSeconds;

    public Problem(Kind kind, String detail) {
        this(kind, detail, List.of(), 0);
    }

    /** @param retryAfterSeconds when the same request may do better; 0 when that is not known */
    public Problem(Kind kind, String detail, int retryAfterSeconds) {
        this(kind, detail, List.of(), retryAfterSeconds);
    }

    public Problem(Kind kind, String detail, List<Fault> faults) {
        this(kind, detail, faults, 0);
    }

    private Problem(Kind kind, String detail, List<Fault> faults, int retryAfterSeconds) {
        super(detail);
        this.kind = kind;
        this.faults = List.copyOf(faults);
        this.retryAfterSeconds = retryAfterSeconds;
    }

    public static Problem notFound(String what) {
        return new Problem(
                Kind.NOT_FOUND, what + " is not here; it may have been removed, or the address is mistyped.");
    }

    public static Problem changedMeanwhile(String what) {
        return new Problem(
                Kind.CHANGED_MEANWHILE,
                what
                        + " was changed elsewhere since you opened it. What you entered is still in the form; "
                        + "look at the new values and save again.");
    }

    /** An identifier that was used for one thing is sent with another. */
    public static Problem sameId(String what) {
        return new Problem(
                Kind.SAME_ID,
                what
                        + " with this identifier is here already and says something else; nothing was "
                        + "changed. Send it under an identifier of its own.");
    }

    public int retryAfterSeconds() {
        return retryAfterSeconds;
    }

    public Kind kind() {
        return kind;
    }

    public List<Fault> faults() {
        return faults == null ? List.of() : faults;
    }
}
