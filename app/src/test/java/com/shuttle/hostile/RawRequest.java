package com.shuttle.hostile;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.List;

/** Requests that no well-meaning client can send: over a socket, byte by byte. */
final class RawRequest {

    private static final int PATIENCE = 30_000;

    /** Bodies that are not what their head says: cut off, longer, of no length at all, in broken pieces. */
    static final List<String> BROKEN = List.of(
            "Content-Length: 1000\r\n\r\n{\"text\":",
            "Content-Length: 3\r\n\r\n{\"text\":\"more than that\"}",
            "Content-Length: -1\r\n\r\n{}",
            "Content-Length: x\r\n\r\n{}",
            "Transfer-Encoding: chunked\r\n\r\nzz\r\n{}\r\n0\r\n\r\n",
            "Transfer-Encoding: chunked\r\n\r\n10\r\n{\"text\":",
            "Content-Length: 2\r\nTransfer-Encoding: chunked\r\n\r\n{}");

    private final int port;
    private final InetAddress from;

    RawRequest(int port, InetAddress from) {
        this.port = port;
        this.from = from;
    }

    /** The head of the answer; empty where the server hung up without one. */
    String send(String method, String path, String host, String headersAndBody) throws IOException {
        try (Socket socket = new Socket(InetAddress.ofLiteral("127.0.0.1"), port, from, 0)) {
            socket.setSoTimeout(PATIENCE);
            String head = method + " " + path + " HTTP/1.1\r\nHost: " + host + "\r\nConnection: close\r\n";
            socket.getOutputStream().write((head + headersAndBody).getBytes(StandardCharsets.UTF_8));
            socket.shutdownOutput();
            return head(socket.getInputStream());
        }
    }

    private static String head(InputStream in) throws IOException {
        ByteArrayOutputStream head = new ByteArrayOutputStream();
        for (int one = in.read();
                one >= 0 && !head.toString(StandardCharsets.ISO_8859_1).endsWith("\r\n\r\n");
                one = in.read()) {
            head.write(one);
        }
        return head.toString(StandardCharsets.ISO_8859_1);
    }
}
