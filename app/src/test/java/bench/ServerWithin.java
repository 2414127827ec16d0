package bench;

import com.shuttle.Shuttle;
import java.io.IOException;
import java.nio.file.Files;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;

/** The server within this process, on data of its own and a free port, whatever the surroundings say. */
final class ServerWithin {

    private ServerWithin() {}

    static ConfigurableApplicationContext start() throws IOException {
        return SpringApplication.run(
                Shuttle.class, "--shuttle.data=" + Files.createTempDirectory("shuttle-bench"), "--server.port=0");
    }
}
