package com.shuttle.core.reading;

import java.util.List;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Reads yes or no: from set phrases anywhere in the message, the last one that is said winning ("yes, wait, no"), set
 * against phrases that leave it open ("maybe", "ask my husband").
 */
final class YesNoReader {

    private static final Finder OPEN = Finder.of(
            "\\b(?:maybe|perhaps|possibly|not sure|unsure|don'?t know|do not know|dunno|no idea|no clue|depends|it depends|have to ask|let me (?:check|think|ask)"
                    + "|need to (?:check|ask|think)|not certain|can'?t say|hard to say|either way|whatever|get back to you|either|who knows|undecided|we'?ll see|on the fence|50/50|sometimes"
                    + "|up to you|you decide|haven'?t decided|yes and no|what do you (?:think|mean|recommend)|idk|not decided|think about it)\\b");
    private static final String NO_WORDS =
            "no thank you|no thanks|no way|no chance|no need|not at all|not really|not now|not yet|not today|not right now|not at (?:the|this) moment|not this time|not for me|not likely|not especially|not particularly|not interested"
                    + "|of course not|certainly not|definitely not|absolutely not|probably not|i(?:'d| would) rather not|rather not|i think not|hell no|god no|i'?ll pass|i doubt it|i'?d say no|hardly|not (?:really )?necessary|not for us|not for now|not today thanks|we'?re (?:fine|good|ok|okay|all set|sorted)|we'?ll (?:manage|pass|be fine)|can do without|no use|nothing like that|not bothered|(?:fine|ok|okay|good) without|(?:we|i)(?:'re|'m| are| am)? (?:all ?right|sorted|all set)|bring(?:ing)? (?:ours|mine)|(?:won'?t|don'?t|do not|will not) need|nothing (?:is )?needed|not if|skip (?:it|that)|leave (?:that|it) out|without|i(?:'m| am) good thanks|i(?:'m| am) (?:fine|all right|ok) (?:thanks|without)|we(?:'re| are) good thanks|hard pass|pass"
                    + "|(?:that )?won'?t be (?:necessary|needed)|(?:that'?s |is )?not (?:necessary|needed|required|true|correct|right)|i don'?t(?: think so)?|i do not|we don'?t|we do not|i haven'?t|we haven'?t|i'?m not|i am not|we aren'?t|we'?re not|it isn'?t|it'?s not|he isn'?t|they aren'?t|i didn'?t|i won'?t|i can'?t|i couldn'?t|didn'?t|doesn'?t|isn'?t|wasn'?t|i wouldn'?t|i shouldn'?t"
                    + "|don'?t bother|(?:please )?don'?t|no|n|nope|nah|naw|nay|never|negative|false|incorrect|wrong|nae|non|nein|neither|no+|nowt|leave it|forget it|count me out|thumbs down|unfortunately not|afraid not|sadly not|none";
    private static final String YES_WORDS =
            "yes please|that'?s (?:it|all|everything)|yes|y|yeah|yea|yep|yup|ya|yah|yas|yess+|ye|aye|sure thing|for sure|sure|okay|okey|ok|okie dokie|okey dokey|k|kk|certainly|absolutely|definitely|please do|please|correct|right|that'?s right|that'?s correct|true|indeed|of course|course|naturally|obviously|fine by me|fine with me|fine|affirmative|go ahead|go for it|go on|sounds good|sounds great|sounds fine|sounds lovely|why not|i do|i am|i have|i did|i would|i'?d love (?:to|that)|i would love (?:to|that)|we do|we are|we have|we did|we would|it is|it does|they are|he is|she is|gladly|with pleasure|by all means"
                    + "|(?:i )?(?:can'?t|don'?t) see why not|i(?: think| guess| suppose|'d say) so|i guess|i suppose|no problem|not a problem|no worries|no objections?|you bet|too right|very much|very much so|that works|works for me|happy to|count me in|i'?m in|twist my arm|do it|let'?s do (?:it|that)|let'?s|oui|ja|si|sí|da|haan|ji|hundred percent|100%|100 percent|great|perfect|lovely|good idea|that would be (?:great|lovely|good|nice|helpful)|that'?d be (?:great|lovely|good|nice)|totally|exactly|agreed|done|deal|all right|alright|alrighty|thumbs up|go on then|if possible|if you can|preferably|(?:that|it)(?:'d| would) (?:help|work|be (?:very |so |really )(?:kind|good|nice|helpful|useful))|(?:we|i)(?:'d| would) (?:be (?:very )?(?:glad|grateful|happy)|better|love)|(?:for )?all of us|both of us|just for me|we'?ll need|for certain|no doubt|yes of course|we'?d (?:love|like|appreciate) (?:that|to|it)|i'?d (?:like|appreciate) (?:that|it)|would be (?:great|lovely|good|nice|helpful|perfect|ideal)|ideally|probably|most likely|we (?:will|need (?:it|them|that|some)|want (?:it|them|that|some))|we'?ll (?:need|take|have) (?:it|them|that|some|those)|must have|if you (?:don'?t mind|could|must|like)|might as well|wouldn'?t say no|i wouldn'?t mind|don'?t mind if i do|wouldn'?t mind|would love|i agree|is fine|ok then";
    private static final Pattern YES =
            Pattern.compile("(?<![\\p{L}'])(?:" + YES_WORDS + ")(?![\\p{L}'])", Pattern.CASE_INSENSITIVE);
    private static final Pattern NO =
            Pattern.compile("(?<![\\p{L}'])(?:" + NO_WORDS + ")(?![\\p{L}'])", Pattern.CASE_INSENSITIVE);
    private static final Pattern YES_WITH_NO = Pattern.compile(
            "(?:can'?t|don'?t) see why not|why not|no problem|not a problem|no worries|no objections?|wouldn'?t say no|i wouldn'?t mind|wouldn'?t mind|don'?t mind if i do|if you don'?t mind|no doubt|without (?:a )?doubt|no question|needless to say|i don'?t mind|can'?t wait|couldn'?t agree more|i can'?t say no|can'?t hurt|couldn'?t hurt",
            Pattern.CASE_INSENSITIVE);
    private static final Set<String> ONE_WORD_YES = Set.of("👍", "✅", "👌", "🙌", "✔", "💯", "🙋");
    private static final Set<String> ONE_WORD_NO = Set.of("👎", "❌", "🚫", "✖", "🙅");

    /** Who brings their own needs none. */
    private static final Finder HAS_OWN = Finder.of(
            "\\b(?:have|got|bring(?:ing)?|use|with) (?:our|my) own\\b|(?:have|'ve)(?: already)?(?: got)? (?:ours|mine)\\b|\\balready (?:have|got)\\b");

    /** After an answer it changes nothing: "no, that's fine". */
    private static final Pattern POLITENESS = Pattern.compile(
            "(?:(?:that|it|we|i|all)(?:'?s|'?re|'?m| is| are| am|'?ll be| will be)? (?:all )?)?(?:please|right|ok|okay|fine|great|perfect|true|rather"
                    + "|lovely|good|i guess|if you like)(?: (?:thanks|thank you|as it is|like that|for (?:us|me|now)))?",
            Pattern.CASE_INSENSITIVE);

    /** At the end of something else it says that that is so, and no yes: "oops, the 29th of course". */
    private static final Pattern OF_COURSE =
            Pattern.compile("(?:of )?course|obviously|naturally|indeed", Pattern.CASE_INSENSITIVE);

    /** "It is" says yes, and "it is 26" something else. */
    private static final Set<String> SHORT_FORMS = WordLists.load("short-forms.txt");

    private static final Set<String> DETERMINERS = WordLists.load("determiners.txt");

    private static final Pattern HAVE = Pattern.compile("(?:we|i) have", Pattern.CASE_INSENSITIVE);

    private YesNoReader() {}

    static Reading read(String text) {
        for (String sign : ONE_WORD_YES) {
            if (text.contains(sign)) {
                return given(true, text);
            }
        }
        for (String sign : ONE_WORD_NO) {
            if (text.contains(sign)) {
                return given(false, text);
            }
        }
        Reading.Given found = last(text);
        List<String> words = Words.of(text);
        boolean says = found != null
                && !HAVE.matcher(text.substring(found.start(), found.end())).matches();
        if (!says && HAS_OWN.in(text.replace('’', '\'')) && !text.strip().endsWith("?")) {
            return given(false, text);
        }
        if (found == null || words.isEmpty()) {
            return Reading.NOTHING;
        }
        if (goesOn(text, found)) {
            return Reading.NOTHING;
        }
        boolean open = OPEN.in(text);
        boolean opensWithIt = found.start() <= firstLetter(text);
        boolean question =
                text.strip().endsWith("?") && !YES_WITH_NO.matcher(text).find();
        if (open || question && !opensWithIt) {
            return Reading.NOTHING;
        }
        if (question && words.size() > 3 && !standsApart(text, found)) {
            return Reading.NOTHING;
        }
        return opensWithIt || words.size() <= 9 || corrected(text) ? found : Reading.NOTHING;
    }

    /** Whether a short form is only the beginning of what is said. */
    private static boolean goesOn(String text, Reading.Given found) {
        List<String> said = Words.of(text.substring(found.start(), found.end()));
        String after = text.substring(found.end());
        List<String> next = Words.of(after);
        return said.size() == 2
                && SHORT_FORMS.contains(said.getLast())
                && !next.isEmpty()
                && Character.isWhitespace(after.charAt(0))
                && (DETERMINERS.contains(next.getFirst())
                        || Character.isDigit(next.getFirst().charAt(0)));
    }

    private static final Pattern SENTENCE_ENDS =
            Pattern.compile("(?:\\s+(?:thanks|thank you|please))?\\s*[.!;…\\n]", Pattern.CASE_INSENSITIVE);

    private static final Pattern CLAUSE_ENDS = Pattern.compile(
            "(?:\\s+(?:thanks|thank you|please))?\\s*(?:,|\\s[-–—]\\s|\\sbut\\b|\\sand\\b)", Pattern.CASE_INSENSITIVE);

    /** What says yes in an answer, and little at the head of a question: "ok, where can I park?". */
    private static final Set<String> OPENINGS = Set.of(
            "ok",
            "okay",
            "k",
            "right",
            "fine",
            "great",
            "perfect",
            "lovely",
            "please",
            "correct",
            "true",
            "sure",
            "alright",
            "all right",
            "ya",
            "y",
            "n",
            "done",
            "deal",
            "indeed",
            "exactly");

    /** "No. Is there a floor?" answers first and then asks. */
    private static boolean standsApart(String text, Reading.Given found) {
        String after = text.substring(found.end());
        String said = text.substring(found.start(), found.end()).toLowerCase(java.util.Locale.ROOT);
        return SENTENCE_ENDS.matcher(after).lookingAt()
                || !OPENINGS.contains(said) && CLAUSE_ENDS.matcher(after).lookingAt();
    }

    private static boolean corrected(String text) {
        return Regex.matches(
                text, "(?is).*\\b(?:actually|wait|no sorry|i mean|on second thoughts?|changed my mind)\\b.*");
    }

    private static int firstLetter(String text) {
        int at = 0;
        while (at < text.length() && !Character.isLetterOrDigit(text.charAt(at))) {
            at++;
        }
        Matcher filler = Pattern.compile(
                        "^(?:oh|well|um+|uh+|hm+|erm+|er|ah|hi|hello|hey|haha+|lol|so|and|but|i think|i'd say|my answer is|the answer is|answer:|hell|thanks|sorry|i'm afraid|sir|just)[\\s,.!…-]+",
                        Pattern.CASE_INSENSITIVE)
                .matcher(text.substring(at));
        return filler.find() ? at + filler.end() : at;
    }

    /** The last clause that says yes or no decides, and in it the phrase it opens with. */
    private static Reading.@org.jspecify.annotations.Nullable Given last(String text) {
        Reading.Given found = null;
        Matcher clause =
                Pattern.compile("[^,.!;:…\\n–—-]+(?:-[^,.!;:…\\n–—-]+)*").matcher(text);
        while (clause.find()) {
            String part = clause.group();
            Matcher both = YES_WITH_NO.matcher(part);
            Matcher no = NO.matcher(part);
            Matcher yes = YES.matcher(part);
            boolean hasYes = yes.find();
            boolean hasNo = no.find();
            if (both.find()) {
                found = new Reading.Given(
                        new Value.YesNo(true), clause.start() + both.start(), clause.start() + both.end());
            } else if (hasNo && hasYes) {
                boolean actually = Regex.matches(part, "(?is).*\\b(?:actually|wait|i mean|sorry|rather|but)\\b.*");
                boolean noWins = actually
                        ? lastStart(NO, part) > lastStart(YES, part)
                        : no.start() <= yes.start()
                                || Regex.matches(part.substring(yes.end()), "(?is)\\s*(?:not|don'?t).*");
                Matcher winner = noWins ? no : yes;
                found = new Reading.Given(
                        new Value.YesNo(!noWins), clause.start() + winner.start(), clause.start() + winner.end());
            } else if (hasNo || hasYes) {
                Matcher winner = hasNo ? no : yes;
                boolean politeness = hasYes
                        && found != null
                        && POLITENESS.matcher(part.strip()).matches();
                boolean ofCourse = hasYes && OF_COURSE.matcher(winner.group()).matches() && !opens(part, winner);
                boolean inPassing = ofCourse
                        || found != null
                                && !opens(part, winner)
                                && !Regex.matches(part, "(?is).*\\b(?:actually|wait|sorry)\\b.*");
                if (!politeness && !inPassing) {
                    found = new Reading.Given(
                            new Value.YesNo(hasYes), clause.start() + winner.start(), clause.start() + winner.end());
                }
            }
        }
        return found;
    }

    private static boolean opens(String part, Matcher matcher) {
        return matcher.start() <= firstLetter(part);
    }

    private static int lastStart(Pattern pattern, String text) {
        Matcher matcher = pattern.matcher(text);
        int last = -1;
        while (matcher.find()) {
            last = matcher.start();
        }
        return last;
    }

    private static Reading given(boolean yes, String text) {
        return new Reading.Given(new Value.YesNo(yes), 0, text.length());
    }
}
