package bench;

import com.shuttle.Shuttle;
import com.shuttle.core.knowledge.Embedding;
import com.shuttle.core.knowledge.Meaning;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.springframework.boot.SpringApplication;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Primary;

/** The real server, but for the sentence models: their vectors are made up, because reading 50,000 phrasings takes them a quarter of an hour. */
public class KnowledgeServer {

    private static final int VECTOR = 384;
    private static final int PIECE = 128;

    private static float[] vector(Random random, int size) {
        float[] vector = new float[size];
        for (int i = 0; i < vector.length; i++) {
            vector[i] = (random.nextFloat() - 0.5f) / 6;
        }
        return vector;
    }

    @Bean
    @Primary
    Meaning madeUp() {
        return new Meaning() {
            @Override
            public Embedding readText(Model model, String text) {
                Random random = new Random(31L * text.hashCode() + model.ordinal());
                int pieces = text.split(" ").length;
                return Embedding.of(
                        vector(random, VECTOR),
                        random.ints(pieces, 2000, 22_000).toArray(),
                        Stream.generate(() -> vector(random, PIECE))
                                .limit(pieces)
                                .toArray(float[][]::new));
            }

            @Override
            public Embedding readQuestion(Model model, String question) {
                return readText(model, question);
            }
        };
    }

    public static void main(String[] args) {
        SpringApplication application = new SpringApplication(Shuttle.class, KnowledgeServer.class);
        application.setDefaultProperties(Map.of("shuttle.data", System.getenv("SHUTTLE_DATA")));
        application.run(args);
    }
}
