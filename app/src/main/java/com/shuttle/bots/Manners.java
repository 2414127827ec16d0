package com.shuttle.bots;

import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.StandingWords;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * A bot's manners as a page shows them: a conversation told by its moments, each a few lines of what visitors say and what
 * the bot says then.
 *
 * @param moments in the order in which they come up
 * @param letters how fast it types, as written
 * @param hours   whether its people have hours, so that there are words for outside them
 * @param flows   the bot's flows, which may follow: their names by their ids
 */
public record Manners(List<Moment> moments, String letters, boolean hours, Map<String, String> flows) {

    /** @param about what is meant, in a sentence */
    public record Moment(String key, String title, String about, List<Line> lines) {}

    /** Who speaks in a line, and whether what they say can be written. */
    public enum Voice {
        /** An example of what a visitor says. */
        VISITOR,
        /** What a visitor may ask for at any time, with more ways to say it. */
        REQUEST,
        /** What the bot says of its own accord. */
        BOT,
        /** What comes next without being written here. */
        THEN
    }

    /** @param text what is said, or an example of it */
    public record Line(
            Voice voice,
            String text,
            @Nullable Request request,
            @Nullable Saying saying) {}

    /** A standing request. @param phrases more ways to say it, one a line @param flow by which it is met; empty for the usual way */
    public record Request(String key, String label, boolean on, String phrases, String flow) {
        public boolean mayLead() {
            return key.equals(StandingWords.PERSON);
        }
    }

    /** What is said on an occasion, as written in a form. */
    public record Saying(
            Occasion occasion, boolean on, String say, String outside, String offers, String minutes, String flow) {

        static Saying of(Response response) {
            return new Saying(
                    response.occasion(),
                    response.on(),
                    String.join("\n", response.say()),
                    String.join("\n", response.outside()),
                    String.join("\n", response.offers()),
                    Integer.toString(response.minutes()),
                    response.flow());
        }

        public String key() {
            return occasion.key();
        }

        /** Whether it can be worded differently while nobody is there; some are for one of the two only. */
        public boolean mayDiffer() {
            return occasion != Occasion.BUSY && occasion != Occasion.CLOSED;
        }

        public boolean offersThings() {
            return occasion.offers();
        }

        public boolean mayLead() {
            return occasion.leads();
        }

        /** Whether what follows is set, so that it should be in sight. */
        public boolean followed() {
            return !offers.isBlank() || !flow.isEmpty() || occasion == Occasion.NEXT;
        }
    }

    /** The standing requests in the words of designers, each with the usual way to say it. */
    static final Map<String, String> REQUESTS = new LinkedHashMap<>();

    static {
        REQUESTS.put("person", "Can I talk to a person?");
        REQUESTS.put("emergency", "Somebody has fainted!");
        REQUESTS.put("back", "Go back");
        REQUESTS.put("menu", "Menu");
        REQUESTS.put("start_again", "Start again");
        REQUESTS.put("stop", "Stop");
    }

    private static final Map<String, String> LABELS = Map.of(
            "person", "They ask for a person",
            "emergency", "They tell of somebody in need",
            "back", "They go back one question",
            "menu", "They want the menu",
            "start_again", "They start again",
            "stop", "They want to stop");

    /** @param sayings of every occasion; @param standing of the requests that are not as usual */
    static Manners of(
            Map<Occasion, Saying> sayings,
            List<StandingWords> standing,
            String letters,
            boolean hours,
            Map<String, String> flows) {
        Map<String, StandingWords> set = new LinkedHashMap<>();
        standing.forEach(words -> set.put(words.request(), words));
        Writer writer = new Writer(sayings, set);
        return new Manners(
                List.of(
                        new Moment(
                                "asked",
                                "A visitor asks something",
                                "At any step. What answers comes from the bot's collections and tables.",
                                writer.visitor("Where can I park?")
                                        .bot(Occasion.FOUND)
                                        .then("the answer")
                                        .visitor("And the thing with the lights?")
                                        .bot(Occasion.RELATED)
                                        .then("up to three entries to pick from")
                                        .visitor("Who painted the whale?")
                                        .bot(Occasion.NOT_FOUND)
                                        .lines()),
                        new Moment(
                                "person",
                                "They want a person",
                                "By asking, by being angry or in trouble, or where a Hand off step stands.",
                                writer.request("person")
                                        .bot(Occasion.HANDED_OVER)
                                        .bot(Occasion.BUSY)
                                        .bot(Occasion.CLOSED)
                                        .lines()),
                        new Moment(
                                "emergency",
                                "Somebody is in need",
                                "Hurt, lost, locked in, fainted: said before anything else, at any step.",
                                writer.request("emergency")
                                        .bot(Occasion.EMERGENCY)
                                        .then("a person, as above")
                                        .lines()),
                        new Moment(
                                "steered",
                                "They steer",
                                "Heard at any step, and done at once: it needs no words of the bot's own.",
                                writer.request("back")
                                        .request("menu")
                                        .request("start_again")
                                        .request("stop")
                                        .lines()),
                        new Moment(
                                "rested",
                                "Nothing is left to ask",
                                "A flow has come to its end, and nobody has said goodbye.",
                                writer.bot(Occasion.NEXT).lines()),
                        new Moment(
                                "quiet",
                                "It goes quiet",
                                "Counted from the visitor's last word.",
                                writer.bot(Occasion.SILENCE)
                                        .bot(Occasion.CLOSING)
                                        .lines())),
                letters,
                hours,
                flows);
    }

    /** Writes the lines of one moment after the other. */
    private static final class Writer {
        private final Map<Occasion, Saying> sayings;
        private final Map<String, StandingWords> standing;
        private List<Line> lines = new ArrayList<>();

        Writer(Map<Occasion, Saying> sayings, Map<String, StandingWords> standing) {
            this.sayings = sayings;
            this.standing = standing;
        }

        Writer visitor(String text) {
            lines.add(new Line(Voice.VISITOR, text, null, null));
            return this;
        }

        Writer then(String text) {
            lines.add(new Line(Voice.THEN, text, null, null));
            return this;
        }

        Writer bot(Occasion occasion) {
            Saying saying = sayings.getOrDefault(occasion, Saying.of(Response.usual(occasion)));
            lines.add(new Line(Voice.BOT, occasion.usual().getFirst(), null, saying));
            return this;
        }

        Writer request(String key) {
            StandingWords words = standing.getOrDefault(key, new StandingWords(key, false, List.of()));
            Request request = new Request(
                    key, LABELS.getOrDefault(key, key), !words.off(), String.join("\n", words.phrases()), words.flow());
            lines.add(new Line(Voice.REQUEST, REQUESTS.getOrDefault(key, ""), request, null));
            return this;
        }

        List<Line> lines() {
            List<Line> written = lines;
            lines = new ArrayList<>();
            return List.copyOf(written);
        }
    }
}
