package com.shuttle.core.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.groups.Tuple.tuple;

import com.shuttle.core.edit.FlowDiff.Detail;
import com.shuttle.core.edit.FlowDiff.Sort;
import com.shuttle.core.edit.Needs.Need;
import com.shuttle.core.edit.ReleaseDiff.Part;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.FlowBuilder;
import com.shuttle.core.flow.Occasion;
import com.shuttle.core.flow.Release;
import com.shuttle.core.flow.Response;
import com.shuttle.core.flow.StandingWords;
import com.shuttle.core.flow.ValueType;
import com.shuttle.core.flow.Variable;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Two releases are told apart in words; what one refers to outside is listed. */
class ReleaseDiffTest {

    private static final Release.Profile PROFILE = new Release.Profile("Vesper", "GB", "Europe/London");

    private static Flow flow(String id, String words) {
        return FlowBuilder.flow(id).message("m", words, null).build();
    }

    private static Release release(Release.Profile profile, Flow... flows) {
        return new Release(1, profile, flows[0].id(), List.of(flows), List.of(), List.of());
    }

    @Test
    void theSameDiffersInNothing() {
        Release release = release(PROFILE, flow("main", "Hello."));
        assertThat(ReleaseDiff.between(release, release)).isEmpty();
        assertThat(ReleaseDiff.summary(List.of())).isEqualTo("nothing differs");
    }

    @Test
    void flowsAreAddedRemovedAndChanged() {
        Release before = release(PROFILE, flow("main", "Hello."), flow("old", "Old."));
        Release after = release(PROFILE, flow("main", "Good day."), flow("new", "New."));
        List<Part> parts = ReleaseDiff.between(before, after);
        assertThat(parts).hasSize(3);
        assertThat(parts.get(0).changes().getFirst().sort()).isEqualTo(Sort.CHANGED);
        assertThat(parts.get(0).changes().getFirst().details())
                .extracting(Detail::before, Detail::after)
                .containsExactly(tuple("Hello.", "Good day."));
        assertThat(parts.get(1).changes().getFirst().sort()).isEqualTo(Sort.ADDED);
        assertThat(parts.get(2).changes().getFirst().sort()).isEqualTo(Sort.REMOVED);
        assertThat(ReleaseDiff.summary(parts)).startsWith("3 changes in ");
    }

    @Test
    void whatTheBotIsAndSaysOfItsOwnAccordIsTold() {
        Release.Profile other = new Release.Profile(
                "Vesper 2",
                "GB",
                "Europe/London",
                "events",
                Map.of("monday", "09:00-12:00"),
                List.of(new Response(Occasion.NEXT, true, List.of("What else?"), List.of(), List.of("Prices"), 10)));
        Release before = release(PROFILE, flow("main", "Hello."));
        Release after = new Release(
                2,
                other,
                "main",
                before.flows(),
                List.of(new Variable("party", ValueType.NUMBER, Variable.Origin.VISITOR, "how many")),
                List.of(new StandingWords("stop", true, List.of("halt"))));
        List<Part> parts = ReleaseDiff.between(before, after);
        assertThat(parts).hasSize(1);
        assertThat(parts.getFirst().changes().getFirst().details())
                .extracting(Detail::what, Detail::before, Detail::after)
                .contains(
                        tuple("the name", "Vesper", "Vesper 2"),
                        tuple("hours on monday", "", "09:00-12:00"),
                        tuple("“Nothing is left to ask”", "says nothing", "What else?\noffers: Prices"),
                        tuple("the request “stop”", "", "not heard\nalso: halt"),
                        tuple(
                                "the variable “party”",
                                "",
                                "number, the visitor, from one conversation to the next\nhow many"));
    }

    @Test
    void whatStepsReferToIsListed() {
        Flow flow = FlowBuilder.flow("main")
                .json("{'kind':'appointment','id':'a','title':'Visit','of':'k1','exits':{}}")
                .json("{'kind':'hand_off','id':'h','team':'t1','exits':{}}")
                .json("{'kind':'look_up','id':'l','table':'b1','filters':[],'exits':{}}")
                .message("m", "Bye.", null)
                .build();
        assertThat(Needs.of(release(PROFILE, flow)))
                .extracting(Need::what, Need::id)
                .containsExactly(tuple("appointment", "k1"), tuple("team", "t1"), tuple("table", "b1"));
    }
}
