package com.shuttle.core.knowledge;

import com.shuttle.core.knowledge.Finding.Source;
import com.shuttle.core.knowledge.Health.Astray;
import com.shuttle.core.knowledge.Health.Claim;
import com.shuttle.core.knowledge.Health.Echo;
import com.shuttle.core.knowledge.KnowledgeIndex.Landing;
import com.shuttle.core.knowledge.Meaning.Model;
import com.shuttle.core.reading.Words;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import java.util.stream.Stream;

/**
 * Looks a collection over. Phrasings beyond an entry's first are held out one at a time and asked; wordings and sentences are compared
 * each with each, which takes time with the square of their number and so is bounded. Pure functions.
 */
public final class HealthCheck {

    /** Entries beyond these are not compared; phrasings beyond these are not held out. */
    private static final int MOST_WORDINGS = 1500;

    private static final int MOST_SENTENCES = 2500;
    private static final int MOST_TESTED = 300;
    private static final int MOST_LISTED = 50;

    /** Wordings as near as this ask for the same. */
    private static final double SAME_QUESTION = 0.96;

    /** Sentences as near as this say the same; with other numbers they say it otherwise. */
    private static final double SAME_SENTENCE = 0.86;

    /** Shorter sentences, such as "Yes.", say nothing by themselves. */
    private static final int LEAST_WORDS = 4;

    /** Before so many answers, what has not been used has not been wanted yet. */
    private static final int LEAST_USES = 30;

    private static final Pattern NUMBER = Pattern.compile("\\d+(?:[.:,]\\d+)*");
    private static final Pattern UNDESCRIBED = Pattern.compile("!\\[\\s*]\\(");

    private record Said(int unit, String text, float[] vector) {}

    private HealthCheck() {}

    /**
     * @param index of this content as it is said on this day
     * @param uses  how often each entry and article has answered, by ref; those that never did may be left out
     */
    public static Health of(
            Content content, KnowledgeIndex index, Meaning meaning, LocalDate day, Map<String, Integer> uses) {
        List<Unit> units = Unit.of(content.on(day));
        Map<String, String> own = new HashMap<>();
        units.forEach(unit -> unit.wordings().forEach(wording -> own.putIfAbsent(wording, unit.title())));
        List<Landing> landings = index.landings(MOST_TESTED);
        int tested = landings.size();
        List<Astray> astray = landings.stream()
                .filter(landing -> !landing.own())
                .map(landing -> new Astray(landing.wording(), own.getOrDefault(landing.wording(), ""), landing.title()))
                .toList();
        Set<Integer> shared = new HashSet<>();
        List<Claim> claims = claims(units, meaning, shared);
        List<Echo> echoes = echoes(units, meaning, shared);
        List<String> over = new ArrayList<>();
        content.entries().stream()
                .filter(entry -> entry.standing().over(day))
                .forEach(entry -> over.add(entry.phrasings().getFirst()));
        content.articles().stream()
                .filter(article -> article.standing().over(day))
                .forEach(article -> over.add(article.title()));
        List<String> mute = content.articles().stream()
                .filter(article -> UNDESCRIBED.matcher(article.markdown()).find())
                .map(Article::title)
                .toList();
        int all = content.entries().size() + content.articles().size();
        long thin = content.entries().stream()
                .filter(entry -> entry.phrasings().size() < 2)
                .count();
        return new Health(
                1 - share(astray.size(), tested),
                1 - share(shared.size(), units.size()),
                1 - share(over.size(), all),
                1 - share((int) thin + mute.size(), all),
                tested,
                limited(astray),
                limited(claims),
                limited(echoes),
                limited(over),
                limited(mute),
                limited(unused(content.on(day), uses)));
    }

    private static List<String> unused(Content content, Map<String, Integer> uses) {
        if (uses.values().stream().mapToInt(Integer::intValue).sum() < LEAST_USES) {
            return List.of();
        }
        return Stream.concat(
                        content.entries().stream()
                                .filter(entry -> !uses.containsKey(entry.ref()))
                                .map(entry -> entry.phrasings().getFirst()),
                        content.articles().stream()
                                .filter(article -> !uses.containsKey(article.ref()))
                                .map(Article::title))
                .toList();
    }

    private static double share(int part, int all) {
        return all == 0 ? 0 : (double) part / all;
    }

    private static <T> List<T> limited(List<T> list) {
        return list.subList(0, Math.min(MOST_LISTED, list.size()));
    }

    private static List<Claim> claims(List<Unit> units, Meaning meaning, Set<Integer> shared) {
        List<Said> said = new ArrayList<>();
        for (int u = 0; u < units.size() && said.size() < MOST_WORDINGS; u++) {
            if (units.get(u).source() == Source.ENTRY) {
                for (String wording : units.get(u).wordings()) {
                    said.add(new Said(
                            u,
                            wording,
                            meaning.readText(Model.WORDINGS, wording).whole()));
                }
            }
        }
        List<Claim> claims = new ArrayList<>();
        Set<Long> seen = new HashSet<>();
        for (int i = 0; i < said.size(); i++) {
            for (int j = i + 1; j < said.size(); j++) {
                Said a = said.get(i);
                Said b = said.get(j);
                if (a.unit() != b.unit()
                        && (Words.normal(a.text()).equals(Words.normal(b.text()))
                                || Vector.cosine(a.vector(), b.vector()) >= SAME_QUESTION)
                        && seen.add((long) a.unit() * units.size() + b.unit())) {
                    claims.add(new Claim(
                            units.get(a.unit()).title(), units.get(b.unit()).title(), a.text(), b.text()));
                    shared.add(a.unit());
                    shared.add(b.unit());
                }
            }
        }
        return claims;
    }

    private static List<Echo> echoes(List<Unit> units, Meaning meaning, Set<Integer> shared) {
        List<Said> said = new ArrayList<>();
        for (int u = 0; u < units.size() && said.size() < MOST_SENTENCES; u++) {
            for (String sentence : units.get(u).sentences()) {
                if (Words.of(sentence).size() < LEAST_WORDS) {
                    continue;
                }
                said.add(new Said(u, sentence, meaning.ofText(Model.SENTENCES, sentence)));
            }
        }
        List<Echo> echoes = new ArrayList<>();
        for (int i = 0; i < said.size(); i++) {
            for (int j = i + 1; j < said.size(); j++) {
                Said a = said.get(i);
                Said b = said.get(j);
                Unit first = units.get(a.unit());
                Unit second = units.get(b.unit());
                if (!first.ref().equals(second.ref()) && Vector.cosine(a.vector(), b.vector()) >= SAME_SENTENCE) {
                    boolean contradicts = !numbers(a.text()).equals(numbers(b.text()));
                    echoes.add(new Echo(first.title(), second.title(), a.text(), b.text(), contradicts));
                    shared.add(a.unit());
                    shared.add(b.unit());
                }
            }
        }
        echoes.sort(Comparator.comparing(echo -> !echo.contradicts()));
        return echoes;
    }

    private static Set<String> numbers(String text) {
        return new TreeSet<>(
                NUMBER.matcher(text).results().map(MatchResult::group).toList());
    }
}
