package com.shuttle.core.engine.steps;

import com.shuttle.core.conversation.Awaiting;
import com.shuttle.core.conversation.Deed;
import com.shuttle.core.conversation.Message.Offer;
import com.shuttle.core.conversation.Speaker;
import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.engine.turn.Heard;
import com.shuttle.core.engine.turn.Move;
import com.shuttle.core.engine.turn.Offers;
import com.shuttle.core.engine.turn.Phrasebook;
import com.shuttle.core.engine.turn.StepMove;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.reading.Reader;
import com.shuttle.core.reading.Reading;
import com.shuttle.core.reading.Value;
import com.shuttle.core.reading.Words;
import java.math.BigDecimal;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/** Closes the conversation, with a rating before it where that is wanted. */
final class EndPlayer extends Player {

    private static final int MOST_STARS = 5;

    /** Words beside a mark that say nothing about it. */
    private static final Set<String> POLITE =
            Set.of("please", "thanks", "thank", "you", "stars", "star", "out", "of", "five");

    private static final Pattern AROUND_A_MARK = Pattern.compile("^[\\s,.:;/-]++|(?i)^(?:stars?|out of (?:5|five))\\b");

    private final Step.End step;

    EndPlayer(Step.End step, Course course) {
        super(course);
        this.step = step;
    }

    @Override
    public void enter() {
        run.sayOneOf(step.say(), List.of());
        if (step.rating()) {
            List<Offer> marks = Offers.marks(MOST_STARS);
            run.sayOneOf(List.of(step.rate().isBlank() ? Phrasebook.RATE : step.rate()), marks);
            run.await(new Awaiting.Rating(marks, 0));
        } else {
            run.pass(Speaker.ENDED);
        }
    }

    @Override
    public @Nullable Heard hear(Awaiting awaiting, String text) {
        return switch (awaiting) {
            case Awaiting.Rating ignored -> hearRating(text);
            case Awaiting.Comment comment -> Heard.of(new StepMove.Comment(comment.stars(), saysNo(text) ? "" : text));
            default -> null;
        };
    }

    private @Nullable Heard hearRating(String text) {
        if (Reader.reply(ValueType.NUMBER, text, run.around().context())
                        instanceof Reading.Given(Value.Numeric(BigDecimal mark), int start, int end)
                && mark.signum() > 0
                && mark.compareTo(BigDecimal.valueOf(MOST_STARS)) <= 0) {
            String comment = AROUND_A_MARK
                    .matcher(text.substring(0, start) + text.substring(end))
                    .replaceAll("")
                    .strip();
            boolean polite = POLITE.containsAll(Words.of(comment));
            return Heard.of(new StepMove.Rate(mark.intValue(), polite ? "" : comment));
        }
        return saysNo(text) ? Heard.of(new StepMove.Refuse()) : null;
    }

    @Override
    public void perform(Move.OfStep move) {
        switch (move) {
            case StepMove.Rate(int stars, String comment) -> rated(stars, comment);
            case StepMove.Comment(int stars, String comment) -> {
                if (!comment.isEmpty()) {
                    run.carryOut(new Deed.Rate(stars, comment));
                }
                thanked();
            }
            case StepMove.Refuse() -> thanked();
            default -> super.perform(move);
        }
    }

    @Override
    public void pick(Awaiting awaiting, List<String> options) {
        if (awaiting instanceof Awaiting.Rating) {
            rated(Integer.parseInt(options.getFirst()), "");
        } else {
            thanked();
        }
    }

    private void rated(int stars, String comment) {
        run.carryOut(new Deed.Rate(stars, comment));
        run.trace("rated", Integer.toString(stars));
        if (comment.isBlank()) {
            List<Offer> no = List.of(new Offer(Offers.NO, "No, thanks"));
            run.sayOneOf(List.of(Phrasebook.COMMENT), no);
            run.await(new Awaiting.Comment(no, List.of(Value.Numeric.of(stars))));
        } else {
            thanked();
        }
    }

    private void thanked() {
        run.say(Phrasebook.THANKS);
        run.pass(Speaker.ENDED);
    }

    @Override
    public void putAgain(Awaiting awaiting) {
        if (awaiting instanceof Awaiting.Rating rating) {
            run.sayOneOf(List.of(Phrasebook.RATE), rating.offers());
        }
    }
}
