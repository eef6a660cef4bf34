package org.umberdial.server.power;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertThrows;
import static org.junit.jupiter.api.Assertions.assertTrue;

import java.io.IOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.atomic.AtomicLong;
import org.junit.jupiter.api.Test;

class ScpiClientTest {
    /** What an instrument that answers so leads to, when 100 ms pass with each letter. */
    private static String refused(String answers) throws IOException {
        AtomicLong now = new AtomicLong();
        try (ServerSocket instrument = new ServerSocket(0, 1, InetAddress.getLoopbackAddress());
                ScpiClient client =
                        new ScpiClient("127.0.0.1", instrument.getLocalPort(), () -> now.getAndAdd(100_000_000))) {
            CompletableFuture<Socket> met = CompletableFuture.supplyAsync(() -> {
                try {
                    Socket socket = instrument.accept();
                    socket.getOutputStream().write(answers.getBytes(StandardCharsets.US_ASCII));
                    return socket;
                } catch (IOException e) {
                    throw new java.io.UncheckedIOException(e);
                }
            });
            String words =
                    assertThrows(IOException.class, () -> client.ask("READ?")).getMessage();
            met.join().close();
            return words;
        }
    }

    @Test
    void aLetterNowAndThenHoldsUpNobody() throws IOException {
        assertEquals("answers too slowly", refused("117.3117.3"));
    }

    @Test
    void whatIsNoNumberOrBeyondTheRangeIsNoReading() throws IOException {
        assertTrue(refused("ohm\n").contains("not a number"));
        assertTrue(refused("9E37\n").contains("beyond its range"));
    }
}
