package org.umberdial.server.security;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/**
 * The session's cookie, by a name of its own for each door: browsers do not keep ports apart, so a demo and a shop on
 * one machine would overwrite each other's. Over TLS the name makes browsers insist that it came over TLS and from this
 * very host ({@code __Host-}, RFC 6265bis).
 */
public final class Cookies implements CookieSerializer {
    private static final String SESSION = "session";
    private static final int LIVES_SECONDS = 7 * 24 * 3600;

    private final Map<String, DefaultCookieSerializer> byName = new ConcurrentHashMap<>();

    /** What a cookie of ours is called at the door a request came through. */
    public static String name(HttpServletRequest request, String what) {
        return (request.isSecure() ? "__Host-" : "") + "umber-" + what + "-" + request.getLocalPort();
    }

    private DefaultCookieSerializer of(HttpServletRequest request) {
        return byName.computeIfAbsent(name(request, SESSION), name -> {
            DefaultCookieSerializer made = new DefaultCookieSerializer();
            made.setCookieName(name);
            made.setCookiePath("/");
            made.setUseHttpOnlyCookie(true);
            made.setSameSite("Strict");
            made.setCookieMaxAge(LIVES_SECONDS);
            return made;
        });
    }

    @Override
    public void writeCookieValue(CookieValue value) {
        of(value.getRequest()).writeCookieValue(value);
    }

    @Override
    public List<String> readCookieValues(HttpServletRequest request) {
        return of(request).readCookieValues(request);
    }
}
