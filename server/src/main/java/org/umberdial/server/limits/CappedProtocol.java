package org.umberdial.server.limits;

import java.io.IOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.nio.channels.SocketChannel;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.apache.coyote.http11.Http11NioProtocol;
import org.apache.tomcat.util.net.NioEndpoint;

/** HTTP/1.1 that closes what one address opens beyond a number, before anything of it is read. */
public final class CappedProtocol extends Http11NioProtocol {
    private final Endpoint endpoint;

    public CappedProtocol() {
        this(new Endpoint());
    }

    private CappedProtocol(Endpoint endpoint) {
        super(endpoint);
        this.endpoint = endpoint;
    }

    /**
     * @param most connections an address may have open; 0 for as many as it likes, where a balancer stands in between
     */
    void setMostAnAddress(int most) {
        endpoint.most = most;
    }

    private static final class Endpoint extends NioEndpoint {
        private final Map<InetAddress, Queue<SocketChannel>> open = new ConcurrentHashMap<>();
        private volatile int most;

        @Override
        protected boolean setSocketOptions(SocketChannel socket) {
            if (admits(socket)) {
                return super.setSocketOptions(socket);
            }
            // The acceptor closes only what has got as far as being wrapped.
            destroySocket(socket);
            return false;
        }

        private boolean admits(SocketChannel socket) {
            int allowed = most;
            if (allowed == 0) {
                return true;
            }
            try {
                if (!(socket.getRemoteAddress() instanceof InetSocketAddress from)) {
                    return false;
                }
                Queue<SocketChannel> theirs =
                        open.computeIfAbsent(from.getAddress(), address -> new ConcurrentLinkedQueue<>());
                theirs.removeIf(channel -> !channel.isOpen());
                if (theirs.size() >= allowed) {
                    return false;
                }
                theirs.add(socket);
                open.values().removeIf(Queue::isEmpty);
                return true;
            } catch (IOException gone) {
                return false;
            }
        }
    }
}
