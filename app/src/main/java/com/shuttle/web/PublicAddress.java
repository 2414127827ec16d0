package com.shuttle.web;

import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.web.server.context.WebServerInitializedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Under which address visitors reach this server, for what leaves it: links in mails. Thread-safe. */
@Component
public class PublicAddress {

    private volatile String address;

    /** @param address as the operator set it; empty for this machine */
    PublicAddress(@Value("${shuttle.address:}") String address) {
        this.address = address.replaceFirst("/+$", "");
    }

    @EventListener
    void listens(WebServerInitializedEvent event) {
        if (address.isEmpty()) {
            address = "http://localhost:" + event.getWebServer().getPort();
        }
    }

    /** Of a path that begins with a slash. */
    public String of(String path) {
        return address + path;
    }
}
