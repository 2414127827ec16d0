package com.shuttle.core.engine.steps;

import com.shuttle.core.engine.turn.Course;
import com.shuttle.core.flow.Answer;
import com.shuttle.core.flow.Appointment;
import com.shuttle.core.flow.Branch;
import com.shuttle.core.flow.CallService;
import com.shuttle.core.flow.Choice;
import com.shuttle.core.flow.Compute;
import com.shuttle.core.flow.Experiment;
import com.shuttle.core.flow.HandOff;
import com.shuttle.core.flow.Interview;
import com.shuttle.core.flow.LookUp;
import com.shuttle.core.flow.Notify;
import com.shuttle.core.flow.Question;
import com.shuttle.core.flow.SaveLead;
import com.shuttle.core.flow.SaveRow;
import com.shuttle.core.flow.Score;
import com.shuttle.core.flow.Step;
import com.shuttle.core.flow.Wait;
import org.jspecify.annotations.Nullable;

/** The player of each kind of step. */
public final class Players {

    private Players() {}

    /** @param step null where the conversation stands nowhere, or the draft has lost the step */
    public static Player of(@Nullable Step step, Course course) {
        return switch (step) {
            case null -> new NowherePlayer(course);
            case Step.Message message -> new MessagePlayer(message, course);
            case Question question -> new QuestionPlayer(question, course);
            case Choice choice -> new ChoicePlayer(choice, course);
            case Interview interview -> new InterviewPlayer(interview, course);
            case Answer answer -> new AnswerPlayer(answer, course);
            case Branch branch -> new BranchPlayer(branch, course);
            case Experiment experiment -> new ExperimentPlayer(experiment, course);
            case Compute compute -> new ComputePlayer(compute, course);
            case Score score -> new ScorePlayer(score, course);
            case LookUp lookUp -> new LookUpPlayer(lookUp, course);
            case SaveRow saveRow -> new SaveRowPlayer(saveRow, course);
            case SaveLead lead -> new SaveLeadPlayer(lead, course);
            case CallService call -> new CallServicePlayer(call, course);
            case Notify notify -> new NotifyPlayer(notify, course);
            case Appointment appointment ->
                appointment.does() == Appointment.Does.BOOK
                        ? new BookingPlayer(appointment, course)
                        : new RebookingPlayer(appointment, course);
            case Wait wait -> new WaitPlayer(wait, course);
            case HandOff handOff -> new HandOffPlayer(handOff, course);
            case Step.Milestone milestone -> new MilestonePlayer(milestone, course);
            case Step.TeamNote note -> new TeamNotePlayer(note, course);
            case Step.Typing typing -> new TypingPlayer(typing, course);
            case Step.GoTo goTo -> new GoToPlayer(goTo, course);
            case Step.End end -> new EndPlayer(end, course);
        };
    }
}
