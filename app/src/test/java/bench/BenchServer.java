package bench;

import com.shuttle.Shuttle;
import com.shuttle.web.Ids;
import java.io.IOException;
import java.nio.file.Path;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import javax.sql.DataSource;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.event.EventListener;
import org.springframework.core.annotation.Order;
import org.springframework.http.MediaType;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.security.config.annotation.web.builders.HttpSecurity;
import org.springframework.security.web.SecurityFilterChain;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** The real server with one route more, which does as little as a route that keeps something can. */
public class BenchServer {

    @RestController
    public static class BareRoute {
        private final JdbcTemplate database;

        public BareRoute(DataSource source) {
            database = new JdbcTemplate(source);
        }

        @EventListener(ApplicationReadyEvent.class)
        public void makeTable() {
            database.execute(
                    "create table if not exists bare (id varchar(32) primary key, text varchar(200) not null)");
        }

        /** Inserts one row and returns JSON. */
        @Transactional
        @PostMapping("/bare")
        public Map<String, String> insert() {
            String id = Ids.next();
            database.update("insert into bare (id, text) values (?, ?)", id, "a text of some length, as messages have");
            return Map.of("id", id);
        }

        private final Map<String, SseEmitter> streams = new ConcurrentHashMap<>();

        @GetMapping(path = "/bare/streams/{id}", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
        public SseEmitter stream(@PathVariable String id) throws IOException {
            SseEmitter emitter = new SseEmitter(0L);
            streams.put(id, emitter);
            emitter.send(SseEmitter.event().comment("open"));
            return emitter;
        }

        /** Inserts one row and tells one stream. */
        @PostMapping("/bare/streams/{id}")
        public Map<String, String> tell(@PathVariable String id) throws IOException {
            Map<String, String> row = insert();
            Objects.requireNonNull(streams.get(id))
                    .send(SseEmitter.event().data("a text of some length, as messages have"));
            return row;
        }
    }

    @Bean
    @Order(0)
    SecurityFilterChain bare(HttpSecurity http) throws Exception {
        return http.securityMatcher("/bare", "/bare/**")
                .csrf(csrf -> csrf.disable())
                .authorizeHttpRequests(routes -> routes.anyRequest().permitAll())
                .build();
    }

    public static void main(String[] args) {
        System.setProperty(
                "shuttle.data",
                Path.of(System.getenv("SHUTTLE_DATA")).toAbsolutePath().toString());
        SpringApplication application = new SpringApplication(Shuttle.class, BenchServer.class, BareRoute.class);
        application.setDefaultProperties(Map.of(
                "shuttle.limits.conversations-per-minute", "10000000",
                "shuttle.limits.messages-per-minute", "10000000",
                "shuttle.limits.address-per-minute", "10000000"));
        application.run(args);
    }
}
