package com.shuttle.standins;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.List;
import tools.jackson.databind.json.JsonMapper;

/**
 * A made-up visitor with what they will say, turn by turn. Some turns belong to the person who takes the conversation.
 *
 * @param bot  the address part of the bot they talk to
 * @param page address they come from
 */
public record Visitor(String bot, String page, List<String> turns) {

    private static final String AGENT = "agent: ";
    private static final String CLOSE = "close";

    public Visitor {
        bot = bot == null ? "vesper" : bot;
        turns = List.copyOf(turns);
    }

    /** Those who played the demo's conversations. */
    public static List<Visitor> all() {
        try (InputStream in = Visitor.class.getResourceAsStream("visitors.json")) {
            if (in == null) {
                throw new IllegalStateException("missing resource visitors.json");
            }
            return List.of(JsonMapper.shared().readValue(in, Visitor[].class));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Who takes a conversation's turns. */
    public interface Conversation {
        void visitorSays(String text);

        /** The person takes the conversation if need be, then says this. */
        void agentSays(String text);

        void agentCloses();
    }

    /** Plays all turns in order. */
    public void play(Conversation conversation) {
        for (String turn : turns) {
            if (turn.startsWith(AGENT)) {
                conversation.agentSays(turn.substring(AGENT.length()));
            } else if (turn.equals(CLOSE)) {
                conversation.agentCloses();
            } else {
                conversation.visitorSays(turn);
            }
        }
    }
}
