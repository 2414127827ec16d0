package com.shuttle.core.engine;

import static org.assertj.core.api.Assertions.assertThat;

import com.shuttle.core.conversation.Deed;
import com.shuttle.core.edit.Edit;
import com.shuttle.core.edit.Edited;
import com.shuttle.core.edit.FlowEditor;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.FlowJson;
import com.shuttle.core.flow.ValueType;
import org.junit.jupiter.api.Test;

/** Note for the team: kept with the conversation, never said. */
class TeamNoteTest {

    private static final Flow FLOW = FlowBuilder.flow("main")
            .question("q", "What brings you here?", ValueType.TEXT, "wish", "n")
            .json("{'kind':'team_note','id':'n','text':'Wants {{wish}}','exits':{'next':'step:m'}}")
            .message("m", "Noted.", null)
            .build();

    @Test
    void theLineIsKeptFilledInAndTheConversationGoesOn() {
        Talk talk = Talk.with(FLOW).says("the *big* telescope").hears("Noted.");
        assertThat(talk.effects).contains(new Deed.Note("Wants the *big* telescope"));
        talk.tookBy("note for the team");
    }

    @Test
    void nothingIsKeptWhereItComesToNothing() {
        Flow flow = FlowBuilder.flow("main")
                .json("{'kind':'team_note','id':'n','text':'{{wish}}','exits':{'next':'step:m'}}")
                .message("m", "On.", null)
                .build();
        assertThat(Talk.with(flow).hears("On.").effects).noneMatch(Deed.Note.class::isInstance);
    }

    @Test
    void itIsEditedRenamedAndReadBackLikeAnyOther() {
        Edited edited = FlowEditor.apply(FLOW, new Edit.Set("n", "text", "About {{wish}}"));
        Flow changed = ((Edited.Done) edited).flow();
        assertThat(((Edited.Done) edited).words()).contains("the note for the team");
        Flow renamed = ((Edited.Done) FlowEditor.apply(changed, new Edit.RenameVariable("wish", "topic"))).flow();
        assertThat(FlowJson.write(renamed)).contains("About {{topic}}");
        assertThat(new FlowJson().read(FlowJson.write(renamed))).isEqualTo(new FlowJson.Result.Good(renamed));
    }
}
