package com.shuttle.core.engine;

import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.listening.Span;
import com.shuttle.core.reading.Finder;
import com.shuttle.core.reading.Words;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Requests that are heard at any time, in any flow. */
enum Standing {
    PERSON("a person"),
    EMERGENCY("somebody in need"),
    START_AGAIN("start again"),
    MENU("the menu"),
    STOP("stop"),
    BACK("go back");

    private static final Set<String> PERSONS = Set.of(
            "person",
            "human",
            "agent",
            "operator",
            "representative",
            "real person",
            "someone",
            "somebody",
            "adviser",
            "speak to a person",
            "staff",
            "member of staff",
            "real human",
            "human being",
            "customer service",
            "help desk",
            "actual person",
            "live agent",
            "live person",
            "somebody real",
            "someone real");
    private static final Pattern TO_PERSON = Pattern.compile(
            "^(?:speak|talk|chat|connect me|put me through|pass me|transfer me|hand me over|get me through)(?: (?:to|with))? "
                    + "(?:(?:a|an|the|some|your|one of your|any) )?(?:(?:real|live|actual|human) )?"
                    + "(?:person|human|human being|agent|someone|somebody|operator|representative|adviser|advisor|staff|team|member of staff|"
                    + "colleague|people|one of you|one of your team)(?: (?:instead|now|there|real|from the team|on the team|in the team|directly))*$"
                    // Somebody by name.
                    + "|^(?:speak|talk|chat) (?:to|with) (?!(?:you|me|it|this|that|the|a|an|my|our|us)\\b)\\w+(?: \\w+)?$");
    private static final Pattern GET_PERSON = Pattern.compile(
            "^(?:get|give|find|fetch) me (?:a|an|some)? ?(?:real |live |actual )?(?:person|human|agent|someone|somebody|operator)(?: now)?$");
    /** Asked for anywhere in a message of some words, unless it tells of it or does not want it. */
    private static final Finder ANY_PERSON = Finder.ofExactly(
            "\\b(?:(?:talk|speak|chat) (?:to|with) (?:(?:a|an|the|some|any|your|one of your) )?(?:real |actual |live )?"
                    + "(?:human|person|someone|somebody|anyone|anybody|people|agent|manager|boss|supervisor|staff|colleague|team|owner)"
                    + "|(?:real|actual|live) (?:person|human|people)"
                    + "|(?:anyone|anybody|someone|somebody) (?:there|here|around|available)?\\s?(?:that |who )?(?:i|we) (?:can|could) (?:talk|speak|chat)"
                    + "|(?:is|are) (?:there )?(?:anyone|anybody|any humans?|a human) (?:there|here|around|available|at all)"
                    + "|(?:nobody|no one|anyone|anybody|someone|somebody)(?: \\w+){0,5} (?:i|we|to) (?:can |could |may )?(?:ask|talk|speak|call|ring)"
                    + "|(?:get|give|fetch|want|need|call) (?:me )?(?:the|a|your|some) (?:manager|boss|supervisor|human|person|owner)"
                    + "|^(?:the|your|a) (?:manager|boss|supervisor|owner)|human please|^help me$|not a (?:bot|robot|machine)"
                    + "|(?:stupid|useless|dumb|bloody|damn) (?:bot|robot|machine|thing))\\b");

    /** Somebody is in need. */
    private static final Finder IN_NEED = Finder.ofExactly(
            "\\b(?:emergency|ambulance|(?:someone|somebody|he|she|man|woman|lady|guy|person|visitor|guest|friend)(?:'s| is| has| just| been)* (?:fainted|collapsed|passed out|choking|bleeding|unconscious|fallen|having a (?:fit|seizure|stroke))|(?:is|am|are|got|been) (?:injured|bleeding|unconscious|collapsed)|(?:i|we|they|he|she|someone|somebody|man|woman|child|kid|son|daughter|boy|girl|person|people|friend|mum|dad)(?:'m|'re|'s| am| are| is| got| been| has| have)* (?:trapped|stuck (?:in|inside|under)(?! (?:(?:a|the) )?(?:traffic|queue|jam|form)))|(?:is|are) on fire"
                    + "|locked (?:in|out)|can'?t get out|not breathing|heart attack|call the police|(?:kid|child|son|daughter|boy|girl|baby|mum|dad|wife|husband)s? (?:is|are|has|have|got|went|gone|fell|was)? ?(?:been |gone |got )?(?:lost|missing|fallen|hurt|fainted)|(?:lost|can'?t find) (?:my|our) (?:kid|child|son|daughter|boy|girl|baby|mum|dad)|(?:i|we|he|she|someone|somebody|man|woman|lady|child|kid|son|daughter|boy|girl|mum|dad|wife|husband|friend|guest|visitor|person) (?:just |has )?(?:fell|fallen) (?:down|off|over)|broke (?:my|his|her) (?:leg|arm|ankle))\\b");

    /** Who wants to be rung up wants a person. */
    private static final Pattern RING = Pattern.compile(
            "^(?:(?:can|could|would|will) )?(?:(?:you|someone|somebody|anyone|anybody|one of you|a guide) )?(?:please )?(?:call|ring|phone|telephone) (?:me|us)(?: (?:back|up|please|pls|later|tomorrow|today|now|asap))*$");

    private static final Finder TELLS_OF_IT = Finder.ofExactly(
            "\\b(?:(?:don't|do not|didn't|not|never|no need to|rather not|without) (?:\\w+ )?(?:want|need|like|talk|speak|talking|speaking)|talked|spoke|spoken|talking)\\b");

    private static final int MOST_WORDS = 16;

    private static final Pattern CLAUSE =
            Pattern.compile("(?:(?!\\bbut\\b)[^.,;:!?\\n])++(?:[.,;:!?\\n]++|but\\b|$)", Pattern.CASE_INSENSITIVE);

    private static final Set<String> STARTS = Set.of(
            "start again",
            "start over",
            "restart",
            "begin again",
            "from the start",
            "from the beginning",
            "start from scratch",
            "reset",
            "start afresh");
    private static final Pattern ANEW = Pattern.compile(
            "(?:start|begin|go back)(?: (?:all|right|everything|it))*(?: over| again| afresh| anew| from (?:the )?(?:very )?(?:start|beginning|scratch|top))+");
    private static final Set<String> MENUS = Set.of(
            "menu",
            "main menu",
            "the menu",
            "back to the menu",
            "back to menu",
            "show me the menu",
            "options",
            "show options",
            "what can you do",
            "home",
            "go to the menu");
    private static final Set<String> STOPS = Set.of(
            "stop",
            "quit",
            "exit",
            "end",
            "bye",
            "goodbye",
            "good bye",
            "that's all",
            "that is all",
            "i'm done",
            "end chat",
            "end conversation",
            "leave me alone",
            "stop it",
            "bye bye",
            "that's all thanks",
            "that's everything",
            "that's it",
            "that is it",
            "that will be all",
            "that'll be all",
            "no more questions",
            "no more");
    private static final Set<String> BACKS = Set.of(
            "back",
            "go back",
            "previous",
            "previous question",
            "step back",
            "one back",
            "undo",
            "go back one",
            "last question");
    private static final Pattern POLITE = Pattern.compile(
            "^(?:(?:please|thanks|thank you|cheers|great|lovely|perfect|hi|hello|hey|ok|okay|sorry|well|no|just|now|so|um|can|could|may|i|we|you|i'd|i'll|let|let's|lets|me|want|would|like|need|prefer|to|rather|wanna|is it possible|possible|a|an|the|go)\\s+)+");
    private static final Pattern COURTESY = Pattern.compile("\\s+(?:please|now|then|thanks|thank you|instead|pls)$");

    private final String label;

    Standing(String label) {
        this.label = label;
    }

    String label() {
        return label;
    }

    /** The JSON form, e.g. {@code start_again}. */
    String key() {
        return name().toLowerCase(java.util.Locale.ROOT);
    }

    /** The request a message makes to a bot with these settings, or null. */
    static @Nullable Standing of(String text, List<StandingWords> settings) {
        if (!settings.isEmpty()) {
            String whole = Words.normal(text);
            for (StandingWords setting : settings) {
                if (!setting.off()
                        && setting.phrases().stream()
                                .anyMatch(phrase -> Words.normal(phrase).equals(whole))) {
                    return Arrays.stream(values())
                            .filter(request -> request.key().equals(setting.request()))
                            .findFirst()
                            .orElse(null);
                }
            }
        }
        Standing usual = of(text);
        return usual == null || isOn(usual, settings) ? usual : null;
    }

    /** Whether a bot with these settings hears a request. */
    static boolean isOn(Standing request, List<StandingWords> settings) {
        return settings.stream()
                .noneMatch(setting -> setting.off() && setting.request().equals(request.key()));
    }

    /** A request within a message. @param clause the words that make it */
    record Within(Standing request, Span clause) {}

    /** The one clause of a message with others that asks for a person, or tells of somebody in need; null where it is not one of several. */
    static @Nullable Within inClause(String text) {
        String whole = Words.normal(text);
        if (!namesPerson(whole) && !IN_NEED.in(whole)) {
            return null;
        }
        Matcher clause = CLAUSE.matcher(text);
        Within found = null;
        while (clause.find()) {
            String words = clause.group();
            Standing wanted = words.isBlank() ? null : wantedIn(Words.normal(words));
            if (wanted != null) {
                found = new Within(wanted, new Span(clause.start(), clause.end()));
            }
        }
        return found == null || found.clause().end() - found.clause().start() >= text.length() - 1 ? null : found;
    }

    /** Whether a claim grants this request. */
    boolean isGrantedBy(@Nullable Heard heard) {
        return heard != null && heard.move() instanceof TalkMove.Grant(Standing granted) && granted == this;
    }

    /** Whether somebody asks to be rung up, and says no more. */
    static boolean wantsCall(String text) {
        return RING.matcher(Words.normal(text)).matches();
    }

    private static @Nullable Standing wantedIn(String words) {
        if (words.split(" ").length > MOST_WORDS || TELLS_OF_IT.in(words)) {
            return null;
        }
        return IN_NEED.in(words) ? EMERGENCY : namesPerson(words) ? PERSON : null;
    }

    private static boolean namesPerson(String words) {
        return ANY_PERSON.in(words);
    }

    /** The request a message makes in the usual words, or null. */
    static @Nullable Standing of(String text) {
        String whole = Words.normal(text);
        if (whole.isEmpty() || whole.length() > 90) {
            return null;
        }
        Standing direct = exact(whole);
        if (direct != null) {
            return direct;
        }
        String bare = COURTESY.matcher(whole).replaceAll("");
        direct = bare.equals(whole) ? null : exact(bare);
        String plain = POLITE.matcher(bare).replaceFirst("");
        direct = direct != null || plain.equals(bare) ? direct : exact(plain);
        return direct == null ? wantedIn(whole) : direct;
    }

    private static @Nullable Standing exact(String words) {
        if (PERSONS.contains(words)
                || TO_PERSON.matcher(words).matches()
                || GET_PERSON.matcher(words).matches()) {
            return PERSON;
        }
        if (STARTS.contains(words) || ANEW.matcher(words).matches()) {
            return START_AGAIN;
        }
        if (MENUS.contains(words)) {
            return MENU;
        }
        if (STOPS.contains(words)) {
            return STOP;
        }
        return BACKS.contains(words) ? BACK : null;
    }
}
