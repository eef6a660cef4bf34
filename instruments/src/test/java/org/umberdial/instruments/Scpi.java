package org.umberdial.instruments;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;

/** A controller that says whatever it likes. */
final class Scpi implements AutoCloseable {
    final Socket socket;
    private final BufferedReader in;

    Scpi(int port) throws IOException {
        socket = new Socket(InetAddress.getLoopbackAddress(), port);
        socket.setSoTimeout(5_000);
        in = new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.US_ASCII));
    }

    void tell(String line) throws IOException {
        socket.getOutputStream().write((line + "\n").getBytes(StandardCharsets.ISO_8859_1));
        socket.getOutputStream().flush();
    }

    /** Tells, and waits until it is done. */
    void order(String line) throws IOException {
        ask(line + ";*OPC?");
    }

    String ask(String line) throws IOException {
        tell(line);
        return in.readLine();
    }

    double number(String line) throws IOException {
        return Double.parseDouble(ask(line));
    }

    @Override
    public void close() throws IOException {
        socket.close();
    }
}
