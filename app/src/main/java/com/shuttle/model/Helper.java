package com.shuttle.model;

import com.shuttle.core.knowledge.Finding;
import com.shuttle.core.knowledge.Finding.Match;
import com.shuttle.core.knowledge.Finding.Outcome;
import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Guard;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/**
 * Lets the language model choose among the best that was found, and reword it. It can bring in nothing: what it chooses is
 * one of the candidates or none, and a rewording that the {@link Guard} finds fault with is dropped. Without a model, or
 * with one that fails, findings stay as they are. Thread-safe.
 */
@Component
public class Helper {

    private static final int CANDIDATES = 5;

    /** What is this certain is not put in question. */
    private static final double CERTAIN = 0.9;

    private static final int LONGEST_CANDIDATE = 600;

    private static final String CHOOSE =
            "You are given a visitor's question and numbered candidates from a knowledge base. Reply with the"
                    + " number of the candidate that answers the question, or 0 if none does. Reply with the number only.";
    private static final String REWORD =
            "You are given a visitor's question and the answer from a knowledge base. Reword the answer so that"
                    + " it answers the question directly and kindly, in the language of the answer and in Markdown. Keep every"
                    + " number, name and link as it is. Add nothing that the answer does not say. Reply with the wording only.";
    private static final Pattern NUMBER = Pattern.compile("\\d{1,2}");

    private final ModelService models;
    private final Completions completions;

    Helper(ModelService models, Completions completions) {
        this.models = models;
        this.completions = completions;
    }

    /** Whether the model should be asked about a finding: there is one, it is not resting, and something was found. */
    public boolean consults(Finding finding) {
        return finding.outcome() != Outcome.NONE
                && finding.also().isEmpty()
                && models.settings().enabled()
                && completions.awake();
    }

    /** What the model makes of a finding, with a note of what happened. Takes as long as the model does. */
    public Finding help(String question, Finding finding) {
        ModelSettings settings = models.settings();
        if (!settings.enabled()
                || finding.outcome() == Outcome.NONE
                || !finding.also().isEmpty()) {
            return finding;
        }
        List<String> notes = new ArrayList<>();
        Finding chosen = finding.confidence() >= CERTAIN ? finding : chosen(settings, question, finding, notes);
        Finding said = chosen.outcome() == Outcome.ANSWER ? reworded(settings, question, chosen, notes) : chosen;
        return said.noted(String.join("; ", notes));
    }

    private Finding chosen(ModelSettings settings, String question, Finding finding, List<String> notes) {
        List<Match> candidates = finding.matches().stream().limit(CANDIDATES).toList();
        String listed = IntStream.range(0, candidates.size())
                .mapToObj(i -> (i + 1) + ". " + candidates.get(i).title() + ": " + shortened(candidates.get(i)))
                .collect(Collectors.joining("\n"));
        Optional<Integer> number = completions
                .ask(settings, CHOOSE, "Question: " + question + "\n\nCandidates:\n" + listed)
                .flatMap(Helper::number)
                .filter(n -> n <= candidates.size());
        if (number.isEmpty()) {
            notes.add("gave no choice");
            return finding;
        }
        if (number.get() == 0) {
            notes.add("chose none of %d".formatted(candidates.size()));
            Outcome less = finding.outcome() == Outcome.ANSWER ? Outcome.SUGGEST : Outcome.NONE;
            return new Finding(less, finding.confidence(), finding.matches());
        }
        Match best = candidates.get(number.get() - 1);
        notes.add("chose %d of %d, “%s”".formatted(number.get(), candidates.size(), best.title()));
        List<Match> matches = new ArrayList<>(finding.matches());
        matches.remove(best);
        matches.addFirst(best);
        return new Finding(Outcome.ANSWER, finding.confidence(), matches);
    }

    private static String shortened(Match match) {
        String answer = match.answers().getFirst().replaceAll("\\s+", " ");
        return answer.length() <= LONGEST_CANDIDATE ? answer : answer.substring(0, LONGEST_CANDIDATE) + "…";
    }

    private static Optional<Integer> number(String reply) {
        Matcher matcher = NUMBER.matcher(reply);
        return matcher.find() ? Optional.of(Integer.parseInt(matcher.group())) : Optional.empty();
    }

    /** Rows of tables are said as they are. */
    private Finding reworded(ModelSettings settings, String question, Finding finding, List<String> notes) {
        Match best = finding.matches().getFirst();
        if (best.source() == Source.TABLE) {
            return finding;
        }
        String answer = best.answers().getFirst();
        Optional<String> wording = completions.ask(settings, REWORD, "Question: " + question + "\n\nAnswer: " + answer);
        if (wording.isEmpty()) {
            notes.add("gave no wording");
            return finding;
        }
        List<String> faults = Guard.faults(answer, wording.get());
        if (!faults.isEmpty()) {
            notes.add("its wording was dropped for " + String.join(", ", faults));
            return finding;
        }
        notes.add("reworded the answer");
        List<Match> matches = new ArrayList<>(finding.matches());
        matches.set(0, best.saying(List.of(wording.get())));
        return new Finding(finding.outcome(), finding.confidence(), matches);
    }

    /** Whether the model replies at all, for trying the settings. */
    boolean replies() {
        completions.wake();
        return completions
                .ask(
                        models.settings(),
                        CHOOSE,
                        "Question: Where can I park?\n\nCandidates:\n1. Parking: Behind the house.")
                .isPresent();
    }
}
