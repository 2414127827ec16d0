package com.shuttle.core.service;

import java.util.List;

/**
 * A request whose placeholders are filled.
 *
 * @param path        follows the connection's address
 * @param contentType empty where there is no text
 */
public record Prepared(String method, String path, List<Service.Header> headers, String contentType, String body) {
    public Prepared {
        headers = List.copyOf(headers);
    }
}
