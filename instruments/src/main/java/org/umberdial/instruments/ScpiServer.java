package org.umberdial.instruments;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.net.SocketException;
import java.nio.charset.StandardCharsets;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;

/** Lets an instrument be spoken to over TCP on loopback: a line in, a line out when something was asked. */
final class ScpiServer implements AutoCloseable {
    private static final int LONGEST_LINE = 1024;
    private static final int MOST_CONNECTIONS = 16;
    /** A controller that says nothing for so long is gone [ms]. */
    private static final int SILENT_MILLIS = 120_000;

    private final ScpiInstrument instrument;
    private final ServerSocket door;
    private final Set<Socket> open = ConcurrentHashMap.newKeySet();

    /** @param port 0 for any that is free */
    ScpiServer(ScpiInstrument instrument, int port) {
        this.instrument = instrument;
        try {
            door = new ServerSocket();
            door.setReuseAddress(true);
            door.bind(new InetSocketAddress(InetAddress.getLoopbackAddress(), port));
        } catch (IOException e) {
            throw new UncheckedIOException("port " + port + " is taken", e);
        }
        start("instrument on port " + port(), this::welcome);
    }

    int port() {
        return door.getLocalPort();
    }

    private static void start(String name, Runnable work) {
        Thread thread = new Thread(work, name);
        thread.setDaemon(true);
        thread.start();
    }

    private void welcome() {
        while (!door.isClosed()) {
            try {
                Socket socket = door.accept();
                if (open.size() >= MOST_CONNECTIONS) {
                    socket.close();
                    continue;
                }
                open.add(socket);
                start("controller of port " + port(), () -> serve(socket));
            } catch (IOException closed) {
                return;
            }
        }
    }

    private void serve(Socket socket) {
        try (socket) {
            socket.setSoTimeout(SILENT_MILLIS);
            socket.setTcpNoDelay(true);
            InputStream in = socket.getInputStream();
            OutputStream out = socket.getOutputStream();
            StringBuilder line = new StringBuilder();
            boolean tooLong = false;
            for (int c = in.read(); c >= 0; c = in.read()) {
                if (c == '\n') {
                    answer(out, line.toString(), tooLong);
                    line.setLength(0);
                    tooLong = false;
                } else if (line.length() >= LONGEST_LINE) {
                    tooLong = true;
                } else if (c >= ' ' && c < 127) {
                    line.append((char) c);
                }
            }
        } catch (SocketException | java.net.SocketTimeoutException gone) {
            // The controller went away, or nothing has come of it for long.
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } finally {
            open.remove(socket);
        }
    }

    private void answer(OutputStream out, String line, boolean tooLong) throws IOException {
        String answer;
        synchronized (instrument) {
            if (tooLong) {
                instrument.raise(new ScpiError(ScpiError.TOO_MUCH_DATA, "Too much data"));
                return;
            }
            answer = instrument.take(line);
        }
        if (!answer.isEmpty()) {
            out.write((answer + "\n").getBytes(StandardCharsets.US_ASCII));
            out.flush();
        }
    }

    /** Drops every connection, as a cable that is pulled does; new ones are welcome. */
    void drop() {
        open.forEach(ScpiServer::quietly);
    }

    private static void quietly(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // It is gone either way.
        }
    }

    @Override
    public void close() {
        try {
            door.close();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        drop();
    }
}
