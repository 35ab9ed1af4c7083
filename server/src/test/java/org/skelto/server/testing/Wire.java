package org.skelto.server.testing;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.net.URI;
import java.nio.charset.StandardCharsets;

/** A connection that speaks HTTP as slowly or as wrongly as a test wants. */
public final class Wire implements AutoCloseable {
    private final Socket socket;
    private final OutputStream out;

    public Wire(RunningSkelto.Skelto skelto) throws IOException {
        URI uri = URI.create(skelto.url);
        socket = new Socket(uri.getHost(), uri.getPort());
        out = socket.getOutputStream();
    }

    public Wire send(String text) throws IOException {
        out.write(text.getBytes(StandardCharsets.ISO_8859_1));
        out.flush();
        return this;
    }

    /** The head of a request with a body of so many bytes. */
    public static String post(String path, long length, String type) {
        return "POST " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Type: " + type + "\r\nContent-Length: "
                + length + "\r\n\r\n";
    }

    public static String get(String path) {
        return "GET " + path + " HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n";
    }

    /** The first line of the answer; null when the connection ends without one, "" when none comes in this time. */
    public String firstLine(int milliseconds) throws IOException {
        socket.setSoTimeout(milliseconds);
        try {
            return new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.ISO_8859_1))
                    .readLine();
        } catch (SocketTimeoutException e) {
            return "";
        } catch (IOException reset) {
            return null;
        }
    }

    @Override
    public void close() throws IOException {
        socket.close();
    }
}
