package com.shuttle.studio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.StepKind;
import com.shuttle.web.Json;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What pages may send as edits. */
class EditFormTest {

    private static Edit edit(String json) {
        return Json.read(json.replace('\'', '"'), EditForm.class).toEdit();
    }

    @Test
    void editsArriveAsTheyAreMeant() {
        assertThat(edit("{'edit':'set','step':'n1','field':'title','value':'Hi'}"))
                .isEqualTo(new Edit.Set("n1", "title", "Hi"));
        assertThat(edit("{'edit':'add','after':null,'kind':'hand_off'}"))
                .isEqualTo(new Edit.Add(null, null, StepKind.HAND_OFF));
        assertThat(edit("{'edit':'several','edits':[{'edit':'delete','step':'n1'},{'edit':'unpin'}]}"))
                .isEqualTo(new Edit.Several(List.of(new Edit.Delete("n1"), new Edit.Unpin())));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{'edit':'paste','steps':[],'after':null}",
                "{'edit':'rename_variable','from':'a','to':'b'}",
                "{'edit':'nonsense'}",
                "{}",
                "{'edit':'set','step':'n1','value':'x'}",
                "{'edit':'move','step':'n1'}",
                "{'edit':'add','kind':'nonsense'}",
                "{'edit':'several','edits':[{'edit':'paste'}]}"
            })
    void whatBringsInWholeStepsOrLacksAPartIsRefused(String json) {
        assertThatThrownBy(() -> edit(json)).isInstanceOf(EditForm.Incomplete.class);
    }
}
