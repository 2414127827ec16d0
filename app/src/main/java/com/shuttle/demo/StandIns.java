package com.shuttle.demo;

import com.shuttle.standins.ModelServer;
import com.shuttle.web.Outgoing;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.net.BindException;
import java.net.InetAddress;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The stand-ins for outside services that run with the demo, each at a made-up host. */
@Component
@ConditionalOnProperty("shuttle.demo")
class StandIns {

    private static final Logger LOG = LoggerFactory.getLogger(StandIns.class);

    /** Where Shuttle finds the language model. */
    private static final String MODEL_HOST = "model.stand-in";

    private final ModelServer model;

    StandIns(Outgoing outgoing, @Value("${shuttle.standins.model-port:8097}") int port) throws IOException {
        model = started(port);
        outgoing.lead(MODEL_HOST, InetAddress.getLoopbackAddress());
        LOG.info(
                "A stand-in for a language model listens at http://{}:{}/v1/chat/completions",
                MODEL_HOST,
                model.port());
    }

    private static ModelServer started(int port) throws IOException {
        try {
            return ModelServer.start(port);
        } catch (BindException taken) {
            return ModelServer.start(0);
        }
    }

    @PreDestroy
    void stop() {
        model.close();
    }
}
