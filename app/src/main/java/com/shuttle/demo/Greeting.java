package com.shuttle.demo;

import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.boot.web.server.context.WebServerApplicationContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Tells whoever started the server where it is and, in the demo, how to get in. */
@Component
class Greeting {

    private final boolean demo;
    private final String data;

    private final ObjectProvider<StandIns> standIns;

    Greeting(
            @Value("${shuttle.demo}") boolean demo,
            @Value("${shuttle.data}") String data,
            ObjectProvider<StandIns> standIns) {
        this.demo = demo;
        this.standIns = standIns;
        this.data = data;
    }

    @EventListener
    void ready(ApplicationReadyEvent event) {
        if (!(event.getApplicationContext() instanceof WebServerApplicationContext server)
                || server.getWebServer() == null) {
            return;
        }
        String address = "http://localhost:" + server.getWebServer().getPort();
        System.out.println("Shuttle is ready at " + address);
        if (demo) {
            System.out.println("""
                    Sign in, everybody with the password %s:
                      designer       maren.holt@tarnfell.example
                      agent, Visits  idris.vane@tarnfell.example
                      agent, Schools oona.fairley@tarnfell.example
                      administrator  tobin.ashgrove@tarnfell.example
                    Talk to Vesper as a visitor at %s/chat/vesper
                    A token for programs is in %s/api-token""".formatted(Demo.PASSWORD, address, data));
            standIns.ifAvailable(Greeting::tell);
        }
    }

    private static void tell(StandIns standIns) {
        System.out.println("Stand-ins for services outside, each with a page that shows what arrived:");
        standIns.pages().forEach((name, page) -> System.out.println("  %-17s %s".formatted(name, page)));
        System.out.println("  %-17s %s".formatted("Language model", standIns.modelAddress()));
    }
}
