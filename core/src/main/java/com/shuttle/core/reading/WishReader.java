package com.shuttle.core.reading;

import com.shuttle.core.reading.Wish.Pick;
import com.shuttle.core.reading.WishPhrase.Joint;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Reads when somebody would like to come: "sometime next week in the afternoon", "not Mondays", "after the 14th, the earlier
 * the better". A message is read from left to right into phrases, each wished or not; a phrase has parts of days and hours that
 * other words join (see {@link WishPhrase}). Words that say nothing of times are counted: a question with others among them
 * ("is the café open on Sundays?") is no wish. Pure function.
 */
public final class WishReader {

    /** More words than this that say nothing of times make something else of the message. */
    private static final int MOST_OTHERS = 5;

    private static final Set<String> NOT = Set.of(
            "not",
            "no",
            "never",
            "except",
            "excluding",
            "without",
            "nothing",
            "can't",
            "cannot",
            "cant",
            "won't",
            "don't",
            "dont",
            "away",
            "holiday",
            "busy",
            "unavailable",
            "neither",
            "nor",
            "avoid",
            "couldn't",
            "wouldn't");
    private static final Set<String> UNFIT = Set.of(
            "don't", "dont", "doesn't", "doesnt", "won't", "wont", "can't", "cant", "isn't", "aren't", "not", "never");
    private static final Set<String> FIT = Set.of("better", "fine", "works", "suits", "great", "best", "okay", "ok");
    private static final Set<String> BAD = Set.of(
            "difficult", "bad", "tricky", "awkward", "hard", "impossible", "out", "busy", "terrible", "hopeless");
    /** Who speaks of these wants something else, whatever day it is for. */
    private static final Set<String> OTHER_BUSINESS = Set.of(
            "cancel",
            "call",
            "ring",
            "phone",
            "price",
            "prices",
            "cost",
            "costs",
            "pay",
            "refund",
            "name",
            "born",
            "birthday",
            "email",
            "ticket",
            "tickets",
            "menu",
            "parking",
            "complain");

    private static final Set<String> ABOUT_FIT =
            Set.of("work", "works", "suit", "suits", "do", "possible", "good", "make", "ideal", "great", "free");
    private static final Set<String> ALL = Set.of(
            "any", "anything", "every", "everything", "all", "anytime", "whenever", "always", "each", "anyday", "most");
    private static final Set<String> EARLIEST = Set.of("earliest", "soonest", "asap", "immediately", "quickest");
    private static final Set<String> OFFER = Set.of(
            "available",
            "free",
            "slot",
            "slots",
            "one",
            "possible",
            "opening",
            "time",
            "appointment",
            "date",
            "you",
            "thing",
            "open",
            "that",
            "gap",
            "chance",
            "convenience",
            "availability",
            "comes",
            "bookable");

    private final Tokens tokens;
    private final WishDays days;
    private final WishTimes times;
    private final WishBounds bounds;
    private final List<WishPhrase> phrases = new ArrayList<>();
    private WishPhrase phrase = new WishPhrase(false);
    private Joint joint = Joint.NONE;
    private Pick pick = Pick.ALL;
    private boolean all;
    private int others;
    private boolean business;
    private WishDays.@Nullable Found last;

    private WishReader(Tokens tokens, Context context) {
        this.tokens = tokens;
        this.days = new WishDays(tokens, context);
        this.times = new WishTimes(tokens, context);
        this.bounds = new WishBounds(tokens, days, times);
    }

    /** The wish that a message says; empty where it says none. */
    public static Optional<Wish> read(String text, Context context) {
        String readable = Words.readable(Words.clean(text));
        return new WishReader(Tokens.of(readable), context).read(Words.looksLikeQuestion(readable), false);
    }

    /** The same of a message that is known to be about when something takes place, whatever else it says. */
    public static Optional<Wish> readKnown(String text, Context context) {
        return new WishReader(Tokens.of(Words.readable(Words.clean(text))), context).read(false, true);
    }

    private Optional<Wish> read(boolean question, boolean known) {
        int i = 0;
        while (i < tokens.size()) {
            i = take(i);
        }
        close();
        List<Wish.Window> any = new ArrayList<>();
        List<Wish.Window> not = new ArrayList<>();
        phrases.forEach(one -> (one.unwished() ? not : any).addAll(one.windows(days)));
        boolean said = !any.isEmpty() || !not.isEmpty() || all || pick != Pick.ALL;
        boolean other = business
                || question && others > 0
                || others > MOST_OTHERS
                || others > 0 && !phrases.isEmpty() && phrases.stream().allMatch(WishPhrase::vague);
        return said && (known || !other || all && others <= 1)
                ? Optional.of(new Wish(any, not, pick))
                : Optional.empty();
    }

    private void close() {
        if (!phrase.isEmpty()) {
            phrases.add(phrase);
        }
        phrase = new WishPhrase(false);
        joint = Joint.NONE;
    }

    private void turn(boolean unwished) {
        close();
        phrase = new WishPhrase(unwished);
    }

    /** Takes the words at token {@code i}. @return the index of the first that is not taken */
    private int take(int i) {
        int next = mark(i);
        if (next > i) {
            return next;
        }
        WishDays.Found day = bounds.days(i);
        if (day == null) {
            WishTimes.Found time = bounds.times(i);
            if (time == null) {
                day = days.at(i, last);
                time = day == null ? times.at(i) : null;
            }
            if (time != null) {
                phrase.add(bounds.later(time), joint);
                joint = Joint.NONE;
                return Math.max(time.next(), i + 1);
            }
        }
        if (day != null) {
            day = bounds.onwards(day);
            last = day;
            if (phrase.unwished() && joint == Joint.COMMA && !phrase.lists(day)) {
                turn(false);
            }
            phrase.add(day, joint);
            joint = Joint.NONE;
            WishTimes.Found tonight = tokens.is(i, Set.of("tonight", "tonite")) ? times.at(i) : null;
            if (tonight != null) {
                phrase.add(tonight, joint);
            }
            return Math.max(day.next(), i + 1);
        }
        if (tokens.at(i).letters() && !WishWords.SAY_NOTHING.contains(tokens.word(i))) {
            others++;
            business |= tokens.is(i, OTHER_BUSINESS);
        }
        return i + 1;
    }

    // Words that join, turn and pick

    private int mark(int i) {
        if (tokens.is(i, Set.of(",", ";", ".", "!", "?"))) {
            joint = joint == Joint.NONE ? Joint.COMMA : joint;
            return i + 1;
        }
        if (tokens.is(i, Set.of("or", "and", "&", "+", "/", "otherwise", "alternatively", "plus"))) {
            joint = tokens.is(i, Set.of("or", "otherwise", "alternatively")) ? Joint.OR : Joint.AND;
            return i + 1;
        }
        int pick = pick(i);
        if (pick > i) {
            return pick;
        }
        int fits = unfit(i);
        if (fits > i) {
            return fits;
        }
        int turn = turns(i);
        if (turn > i) {
            return turn;
        }
        return free(i);
    }

    private int pick(int i) {
        int at = tokens.is(i, "the") ? i + 1 : i;
        boolean soon = tokens.is(at, EARLIEST)
                || tokens.follows(at, "as", "soon", "as")
                || tokens.follows(at, "as", "early", "as")
                || tokens.follows(at, "right", "away")
                || tokens.follows(at, "straight", "away")
                || tokens.follows(at, "sooner", "the", "better")
                || tokens.follows(at, "earlier", "the", "better")
                || tokens.is(at, "first") && (tokens.is(at + 1, OFFER) || tokens.is(at - 1, "comes"))
                || tokens.is(at, "next") && tokens.is(at + 1, OFFER) && !tokens.is(at + 1, "one");
        if (soon && !(phrase.unwished() && phrase.isEmpty())) {
            pick = Pick.FIRST;
            boolean as = tokens.is(at, "as");
            int next = as ? at + 3 : tokens.is(at, EARLIEST) ? at + 1 : at + 2;
            return tokens.is(next, OFFER) ? next + 1 : next;
        }
        boolean end = tokens.is(at, "latest") && !tokens.is(i - 1, "at") && !tokens.follows(i - 1, "at", "the")
                || tokens.is(at, "last") && tokens.is(at + 1, OFFER) && !tokens.is(at + 1, "date")
                || tokens.follows(at, "as", "late", "as");
        if (end && last == null || end && !tokens.is(i - 1, "the") && tokens.is(at + 1, OFFER)) {
            pick = Pick.LAST;
            return at + (tokens.is(at, "as") ? 3 : 1);
        }
        return i;
    }

    /** "Mondays don't work for me" turns what stands before it. */
    private int unfit(int i) {
        boolean bad = tokens.is(i, BAD) && tokens.is(i - 1, Set.of("are", "is", "re", "s", "be", "too"));
        boolean no =
                tokens.is(i, Set.of("no", "not")) && tokens.is(i + 1, Set.of("good", "ideal", "great", "possible"));
        if ((bad || no) && !phrase.isEmpty()) {
            phrase.unwish();
            close();
            return no ? i + 2 : i + 1;
        }
        if (phrase.unwished() && tokens.is(i, FIT) && phrase.size() > 1) {
            WishPhrase fit = phrase.withoutLast();
            close();
            phrase = fit;
            return i + 1;
        }
        if (phrase.isEmpty() || !tokens.is(i, UNFIT)) {
            return i;
        }
        int at = tokens.skip(i + 1, Set.of("be", "really", "t", "'", "so", "that"));
        if (!tokens.is(at, ABOUT_FIT)) {
            return i;
        }
        phrase.unwish();
        close();
        return at + 1;
    }

    private int turns(int i) {
        boolean other = tokens.follows(i, "apart", "from")
                || tokens.follows(i, "other", "than")
                || tokens.is(i, Set.of("bar", "besides")) && all;
        if (tokens.is(i, "but") && (tokens.is(i - 1, ALL) || all && !phrase.isEmpty() && tokens.is(i - 2, ALL))
                || other) {
            all = true;
            turn(true);
            return other && !tokens.is(i, Set.of("bar", "besides")) ? i + 2 : i + 1;
        }
        if (tokens.is(i, Set.of("but", "only", "rather", "instead", "maybe", "perhaps", "though", "just"))) {
            if (phrase.unwished() && !phrase.isEmpty() && !tokens.is(i, "just")) {
                turn(false);
            }
            return i + 1;
        }
        int bound = tokens.is(i, Set.of("not", "no", "nothing")) ? i + 1 : i;
        if (bound > i && bounds.begins(bound)) {
            if (phrase.unwished()) {
                turn(false);
            }
            return i;
        }
        if (tokens.follows(i, "not", "too", "early") || tokens.follows(i, "nothing", "too", "early")) {
            turn(true);
            phrase.add(times.early(i + 3), Joint.NONE);
            turn(false);
            return i + 3;
        }
        if (tokens.follows(i, "not", "too", "late") || tokens.follows(i, "nothing", "too", "late")) {
            turn(true);
            phrase.add(times.late(i + 3), Joint.NONE);
            turn(false);
            return i + 3;
        }
        if (tokens.is(i, NOT) && !carefree(i) && !isReply(i)) {
            if (!(phrase.unwished() && joint == Joint.OR)) {
                turn(true);
            }
            return i + 1;
        }
        return i;
    }

    /** "No, can we do five" refuses what was offered and not five: what a no rules out follows it at once. */
    private boolean isReply(int i) {
        return tokens.is(i, "no") && days.at(i + 1, last) == null && times.at(i + 1) == null && !bounds.begins(i + 1);
    }

    /** "I don't mind" and "no matter" refuse nothing. */
    private boolean carefree(int i) {
        return tokens.is(i + 1, Set.of("mind", "care", "matter", "preference", "rush", "problem", "worries"))
                || tokens.follows(i + 1, "have", "a", "preference");
    }

    private int free(int i) {
        if (carefree(i) && tokens.is(i, NOT)) {
            all = true;
            return i + 2;
        }
        if (tokens.is(i, Set.of("flexible", "whenever", "anytime", "anyday", "easy", "whatever", "always"))) {
            all = true;
            return i + 1;
        }
        if (tokens.is(i, ALL) && tokens.is(i + 1, Set.of("time", "day", "date", "slot", "days", "times", "of"))
                || tokens.is(i, Set.of("anything", "everything"))) {
            all = true;
            return tokens.is(i, Set.of("anything", "everything")) ? i + 1 : i + 2;
        }
        return i;
    }
}
