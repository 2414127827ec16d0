package com.shuttle.leads;

import static com.shuttle.schema.Tables.CONVERSATION;
import static com.shuttle.schema.Tables.SCORE;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.reading.Value;
import com.shuttle.web.Fit;
import com.shuttle.web.Json;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectConditionStep;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What visitors were scored, in the database. */
@Repository
class ScoreStore {

    /** What is known to score by is cut to so much JSON, value by value. */
    private static final int MOST = 90_000;

    private final DSLContext db;

    ScoreStore(DSLContext db) {
        this.db = db;
    }

    /** A score that was given. @param who name of the visitor; may be empty @param known by what it was scored */
    record Given(
            String conversation,
            String card,
            String who,
            int points,
            String bandName,
            List<String> reasons,
            Map<String, Value> known,
            Instant at) {}

    void keep(String conversation, Deed.KeepScore score, Instant at) {
        db.deleteFrom(SCORE)
                .where(SCORE.CONVERSATION_ID.eq(conversation))
                .and(SCORE.CARD_ID.eq(score.card()))
                .execute();
        db.insertInto(SCORE)
                .set(SCORE.CONVERSATION_ID, conversation)
                .set(SCORE.CARD_ID, score.card())
                .set(SCORE.POINTS, score.points())
                .set(SCORE.BAND, score.band())
                .set(SCORE.BAND_NAME, score.bandName())
                .set(SCORE.REASONS, Fit.within(Json.write(score.reasons()), 20_000))
                .set(SCORE.KNOWN, known(score.known()))
                .set(SCORE.AT, at)
                .execute();
    }

    /** As JSON; what would not fit is left out, the longest first. */
    private static String known(Map<String, Value> known) {
        Map<String, Value> kept = new LinkedHashMap<>(known);
        String json = Json.write(kept);
        while (json.length() > MOST) {
            String longest = kept.entrySet().stream()
                    .max((a, b) -> Integer.compare(
                            a.getValue().shown().length(), b.getValue().shown().length()))
                    .orElseThrow()
                    .getKey();
            kept.remove(longest);
            json = Json.write(kept);
        }
        return json;
    }

    /** The latest score of a conversation. */
    Optional<Given> of(String conversation) {
        return select().and(SCORE.CONVERSATION_ID.eq(conversation))
                .orderBy(SCORE.AT.desc())
                .limit(1)
                .fetchOptional(ScoreStore::given);
    }

    /** The latest scores that a card gave, latest first. */
    List<Given> last(String card, int most) {
        return select().and(SCORE.CARD_ID.eq(card))
                .orderBy(SCORE.AT.desc(), SCORE.CONVERSATION_ID)
                .limit(most)
                .fetch(ScoreStore::given);
    }

    private SelectConditionStep<? extends Record> select() {
        return db.select(SCORE.fields())
                .select(CONVERSATION.VISITOR_NAME)
                .from(SCORE)
                .join(CONVERSATION)
                .on(CONVERSATION.ID.eq(SCORE.CONVERSATION_ID))
                .where();
    }

    private static Given given(Record row) {
        Map<String, Value> known = new LinkedHashMap<>();
        JsonNode json = JsonMapper.shared().readTree(row.get(SCORE.KNOWN));
        json.properties()
                .forEach(one -> known.put(one.getKey(), Json.read(one.getValue().toString(), Value.class)));
        return new Given(
                row.get(SCORE.CONVERSATION_ID),
                row.get(SCORE.CARD_ID),
                row.get(CONVERSATION.VISITOR_NAME),
                row.get(SCORE.POINTS),
                row.get(SCORE.BAND_NAME),
                Json.readAll(row.get(SCORE.REASONS), String.class),
                known,
                row.get(SCORE.AT));
    }
}
