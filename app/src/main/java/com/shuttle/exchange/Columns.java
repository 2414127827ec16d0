package com.shuttle.exchange;

import com.shuttle.core.knowledge.Entry.Ties;
import com.shuttle.core.knowledge.Standing;
import com.shuttle.core.reading.Words;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.ToDoubleFunction;
import org.jspecify.annotations.Nullable;

/**
 * What the columns of a sheet mean. A negative number means that there is no such column.
 *
 * @param more further phrasings, one a line of the cell
 */
public record Columns(
        int ref,
        int question,
        int more,
        int answer,
        int category,
        int state,
        int from,
        int until,
        int team,
        int article,
        int flow) {

    /** The column of a part by its name. */
    public int of(String part) {
        return switch (part) {
            case "question" -> question;
            case "more" -> more;
            case "answer" -> answer;
            case "category" -> category;
            default -> ref;
        };
    }

    private static final Set<String> REF = Set.of("ref", "id", "key", "number", "no");
    private static final Set<String> QUESTION =
            Set.of("question", "title", "q", "query", "subject", "what visitors ask");
    private static final Set<String> MORE =
            Set.of("phrasings", "more phrasings", "variants", "alternatives", "other questions", "also asked as");
    private static final Set<String> ANSWER = Set.of("answer", "answers", "a", "reply", "response", "text", "content");
    private static final Set<String> CATEGORY = Set.of("category", "topic", "group", "section", "theme", "area");
    private static final Set<String> STATE = Set.of("state", "status", "published");
    private static final Set<String> FROM = Set.of("from", "valid from", "start");
    private static final Set<String> UNTIL = Set.of("until", "valid until", "end", "expires");
    private static final Set<String> TEAM = Set.of("team", "owner", "looked after by");
    private static final Set<String> ARTICLE = Set.of("article", "linked article");
    private static final Set<String> FLOW = Set.of("flow", "leads to");
    private static final Set<String> DRAFT = Set.of("draft", "no", "false", "unpublished");
    private static final int LOOKED_AT = 200;

    /** By their headings; where these say nothing, the longest texts are the answers and questions are questions. */
    static Columns guess(Sheet sheet) {
        List<String> header = sheet.header().stream()
                .map(cell -> Words.clean(cell).toLowerCase(Locale.ROOT))
                .toList();
        int question = named(header, QUESTION);
        int answer = named(header, ANSWER);
        if (answer < 0) {
            answer = most(sheet, question, String::length);
        }
        if (question < 0) {
            question = most(sheet, answer, cell -> Words.looksLikeQuestion(cell) ? 1 : 0);
        }
        return new Columns(
                named(header, REF),
                question,
                named(header, MORE),
                answer,
                named(header, CATEGORY),
                named(header, STATE),
                named(header, FROM),
                named(header, UNTIL),
                named(header, TEAM),
                named(header, ARTICLE),
                named(header, FLOW));
    }

    private static int named(List<String> header, Set<String> names) {
        for (int i = 0; i < header.size(); i++) {
            if (names.contains(header.get(i))) {
                return i;
            }
        }
        return -1;
    }

    private static int most(Sheet sheet, int not, ToDoubleFunction<String> measure) {
        int best = not == 0 ? 1 : 0;
        double most = -1;
        for (int i = 0; i < sheet.header().size(); i++) {
            int column = i;
            double sum = sheet.rows().stream()
                    .limit(LOOKED_AT)
                    .mapToDouble(row -> measure.applyAsDouble(row.cells().get(column)))
                    .sum();
            if (i != not && sum > most) {
                most = sum;
                best = i;
            }
        }
        return best;
    }

    /** Within the columns there are. */
    Columns within(Sheet sheet) {
        int last = sheet.header().size() - 1;
        return new Columns(
                Math.clamp(ref, -1, last),
                Math.clamp(question, -1, last),
                Math.clamp(more, -1, last),
                Math.clamp(answer, -1, last),
                Math.clamp(category, -1, last),
                Math.clamp(state, -1, last),
                Math.clamp(from, -1, last),
                Math.clamp(until, -1, last),
                Math.clamp(team, -1, last),
                Math.clamp(article, -1, last),
                Math.clamp(flow, -1, last));
    }

    /** What the rows say, read so. */
    List<Found> read(Sheet sheet) {
        List<Found> found = new ArrayList<>();
        for (Sheet.Row row : sheet.rows()) {
            String phrasings = (Sheet.cell(row, question) + "\n" + Sheet.cell(row, more)).strip();
            found.add(new Found(
                    row.line(),
                    Found.Kind.ENTRY,
                    Sheet.cell(row, ref).strip(),
                    phrasings,
                    Sheet.cell(row, answer).strip(),
                    Sheet.cell(row, category).strip(),
                    new Standing(
                            !DRAFT.contains(Sheet.cell(row, state).strip().toLowerCase(Locale.ROOT)),
                            day(Sheet.cell(row, from)),
                            day(Sheet.cell(row, until))),
                    new Ties(
                            Sheet.cell(row, team).strip(),
                            Sheet.cell(row, article).strip(),
                            Sheet.cell(row, flow).strip())));
        }
        return found;
    }

    /** A day as ISO 8601 writes it; anything else is none. */
    static @Nullable LocalDate day(String text) {
        try {
            return text.isBlank() ? null : LocalDate.parse(text.strip());
        } catch (DateTimeParseException e) {
            return null;
        }
    }
}
