package com.shuttle.settings;

import jakarta.servlet.ReadListener;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletRequestWrapper;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpStatus;
import org.springframework.web.server.ResponseStatusException;

/** A request whose body is counted while it is read, since its length need not be stated nor true. For one thread. */
final class BoundedBody extends HttpServletRequestWrapper {

    private final long largest;
    private long read;

    BoundedBody(HttpServletRequest request, long largest) {
        super(request);
        this.largest = largest;
    }

    private int counted(int bytes) {
        read += Math.max(0, bytes);
        if (read > largest) {
            throw new ResponseStatusException(HttpStatus.CONTENT_TOO_LARGE, BodyBounds.tooLarge(largest));
        }
        return bytes;
    }

    @Override
    public ServletInputStream getInputStream() throws IOException {
        ServletInputStream in = super.getInputStream();
        return new ServletInputStream() {
            @Override
            public int read() throws IOException {
                int one = in.read();
                counted(one < 0 ? 0 : 1);
                return one;
            }

            @Override
            public int read(byte[] bytes, int offset, int length) throws IOException {
                return counted(in.read(bytes, offset, length));
            }

            @Override
            public boolean isFinished() {
                return in.isFinished();
            }

            @Override
            public boolean isReady() {
                return in.isReady();
            }

            @Override
            public void setReadListener(ReadListener listener) {
                in.setReadListener(listener);
            }
        };
    }

    @Override
    public BufferedReader getReader() throws IOException {
        return new BufferedReader(new InputStreamReader(getInputStream(), StandardCharsets.UTF_8));
    }
}
