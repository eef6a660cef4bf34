package org.umberdial.server.power;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.function.LongSupplier;

/**
 * Speaks SCPI to one instrument over TCP: a line out, a line in. A connection that fails is closed and opened anew at
 * the next question. For one thread at a time.
 */
final class ScpiClient implements AutoCloseable {
    private static final int CONNECT_MILLIS = 500;
    private static final int ANSWER_MILLIS = 700;
    private static final int LONGEST_ANSWER = 400;
    private static final double MOST = 1e6;

    private final String host;
    private final int port;
    private final LongSupplier nanos;
    private Socket socket;
    private BufferedReader in;

    ScpiClient(String host, int port) {
        this(host, port, System::nanoTime);
    }

    ScpiClient(String host, int port, LongSupplier nanos) {
        this.host = host;
        this.port = port;
        this.nanos = nanos;
    }

    private void open() throws IOException {
        if (socket == null || socket.isClosed()) {
            InetAddress address = InetAddress.getByName(host);
            if (!near(address)) {
                throw new IOException(host + " is not in this network");
            }
            socket = new Socket();
            socket.setTcpNoDelay(true);
            socket.setSoTimeout(ANSWER_MILLIS);
            socket.connect(new InetSocketAddress(address, port), CONNECT_MILLIS);
            in = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII));
        }
    }

    /** Whether an address is of this machine or its own network; instruments are nowhere else. */
    static boolean near(InetAddress address) {
        return address.isLoopbackAddress() || address.isSiteLocalAddress();
    }

    /** @throws IOException when it does not answer in time, or with anything but a number that can be one */
    double ask(String query) throws IOException {
        String answer = exchange(query, true);
        try {
            double value = Double.parseDouble(answer.strip());
            // SCPI says 9.9E37 for a reading beyond the range.
            if (Math.abs(value) < MOST) {
                return value;
            }
        } catch (NumberFormatException e) {
            close();
            throw new IOException("answers “" + answer.strip() + "” and not a number", e);
        }
        throw new IOException("is beyond its range");
    }

    /** What it says it is, in at most a line. */
    String identity() throws IOException {
        return exchange("*IDN?", true).strip();
    }

    void tell(String command) throws IOException {
        exchange(command, false);
    }

    private String exchange(String line, boolean asks) throws IOException {
        try {
            open();
            OutputStream out = socket.getOutputStream();
            out.write((line + "\n").getBytes(StandardCharsets.US_ASCII));
            out.flush();
            return asks ? answer() : "";
        } catch (IOException e) {
            close();
            throw e;
        }
    }

    private String answer() throws IOException {
        StringBuilder answer = new StringBuilder();
        // A letter now and then is in time each, and nobody watches meanwhile.
        long until = nanos.getAsLong() + ANSWER_MILLIS * 1_000_000L;
        for (int c = in.read(); c != '\n'; c = in.read()) {
            if (c < 0) {
                throw new IOException("has closed the connection");
            }
            if (nanos.getAsLong() - until > 0) {
                throw new IOException("answers too slowly");
            }
            if (answer.length() >= LONGEST_ANSWER) {
                throw new IOException("answers without end");
            }
            answer.append((char) c);
        }
        return answer.toString();
    }

    @Override
    public void close() {
        try {
            if (socket != null) {
                socket.close();
            }
        } catch (IOException e) {
            // It is gone either way.
        }
        socket = null;
    }
}
