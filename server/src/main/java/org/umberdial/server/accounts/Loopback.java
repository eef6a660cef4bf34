package org.umberdial.server.accounts;

import jakarta.servlet.http.HttpServletRequest;
import java.net.InetAddress;
import java.net.UnknownHostException;

/** Whether a request comes from the machine itself, by its address and not by what it says of itself. */
public final class Loopback {
    private Loopback() {}

    public static boolean is(HttpServletRequest request) {
        try {
            return InetAddress.getByName(request.getRemoteAddr()).isLoopbackAddress();
        } catch (UnknownHostException unknown) {
            return false;
        }
    }
}
