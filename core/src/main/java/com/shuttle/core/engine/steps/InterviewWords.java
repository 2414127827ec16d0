package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.Texts;
import com.shuttle.core.engine.turn.TurnRun;
import com.shuttle.core.flow.Fact;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.reading.Value;
import java.util.List;
import java.util.regex.Pattern;

/** How an interview asks for facts and reads them back. */
final class InterviewWords {

    private static final Pattern DECLINES = Pattern.compile(
            "^\\W*(?:(?:no,? )?(?:forget (?:it|that|about it)|never ?mind|cancel(?: (?:it|that|this))?|leave it|i(?:'ve| have) changed my mind|not interested|drop it|i don'?t want to (?:do|answer) (?:this|that|any of (?:this|that))|no more questions))\\b.{0,20}$",
            Pattern.CASE_INSENSITIVE);

    private InterviewWords() {}

    private static final Pattern APPROVES =
            Pattern.compile("(?is)\\W*(?:yes\\W+)?(?:(?:that'?s|that is) (?:all|it|everything|right|correct)\\b.*"
                    + "|(?:(?:it|that|this|all|everything)(?:'?s| is)? )?(?:all )?(?:looks? |sounds? )?(?:good|fine|perfect|correct|great|right|in order)"
                    + "(?:\\W+(?:to me|thanks|thank you|cheers|yes))*\\W*)");

    /** Whether what was read back is said to be right: "that's all", "looks good". */
    static boolean approves(String text) {
        return APPROVES.matcher(text.replace('’', '\'')).matches();
    }

    /** Whether somebody wants to answer none of it. */
    static boolean declines(String text) {
        return DECLINES.matcher(text).matches();
    }

    /** One fact in its own words, several by their names. */
    static String question(List<Fact> facts) {
        Fact first = facts.getFirst();
        if (facts.size() == 1) {
            return first.ask().isBlank() ? Phrasebook.question(first) : first.ask();
        }
        return "Please tell me the "
                + Phrasebook.all(facts.stream().map(Fact::called).toList()) + ".";
    }

    /** All that is known of an interview's facts, filled and escaped: in the designer's words what those say, and the others listed. */
    static String readBack(Interview step, TurnRun run) {
        StringBuilder list =
                new StringBuilder(step.readBack().isBlank() ? Phrasebook.READ_BACK : run.filled(step.readBack()));
        for (Fact fact : step.facts()) {
            Value value = run.facts.value(fact.variable());
            boolean said = Texts.fills(step.readBack(), fact.variable());
            if (value != null && !said) {
                list.append("\n- ")
                        .append(Phrasebook.capital(fact.called()))
                        .append(": **")
                        .append(Texts.escaped(value.shown()))
                        .append("**");
            }
        }
        return list.append("\n\n").append(Phrasebook.RIGHT).toString();
    }

    /** The first missing fact with the others of its group. */
    static List<Fact> group(List<Fact> missing) {
        Fact first = missing.getFirst();
        return first.group().isBlank()
                ? List.of(first)
                : missing.stream()
                        .filter(fact -> fact.group().equals(first.group()))
                        .toList();
    }

    static List<String> names(List<Fact> facts) {
        return facts.stream().map(Fact::variable).toList();
    }
}
