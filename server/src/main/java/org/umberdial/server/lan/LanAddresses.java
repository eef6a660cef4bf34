package org.umberdial.server.lan;

import java.net.Inet4Address;
import java.net.InetAddress;
import java.net.NetworkInterface;
import java.net.SocketException;
import java.net.UnknownHostException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Where this machine is found on its own networks. */
final class LanAddresses {
    private LanAddresses() {}

    /**
     * IPv4 addresses of its running interfaces, then its name as itself and as devices without a name server know it.
     */
    static List<String> found() throws SocketException {
        List<String> found = new ArrayList<>();
        for (NetworkInterface network : NetworkInterface.networkInterfaces().toList()) {
            if (network.isUp() && !network.isLoopback() && !network.isVirtual()) {
                network.inetAddresses()
                        .filter(Inet4Address.class::isInstance)
                        .map(InetAddress::getHostAddress)
                        .forEach(found::add);
            }
        }
        try {
            String name = InetAddress.getLocalHost().getHostName().toLowerCase(Locale.ROOT);
            if (name.matches("[a-z0-9-]{1,63}")) {
                found.add(name);
                found.add(name + ".local");
            }
        } catch (UnknownHostException nameless) {
            // Its addresses are enough.
        }
        return found;
    }
}
