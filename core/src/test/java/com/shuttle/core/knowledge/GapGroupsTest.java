package com.shuttle.core.knowledge;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.IntStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.Size;
import org.junit.jupiter.api.Test;

class GapGroupsTest {

    private static final Meaning MEANING = Meaning.of(Meaning.shipped());

    @Test
    void likeQuestionsComeTogether() {
        List<List<Integer>> groups = GapGroups.of(
                List.of(
                        "do you sell gift vouchers",
                        "is there a cloakroom for coats",
                        "can I buy a gift voucher from you",
                        "where can I leave my coat, is there a cloakroom"),
                MEANING);
        assertThat(groups).containsExactly(List.of(0, 2), List.of(1, 3));
        assertThat(GapGroups.of(List.of(), MEANING)).isEmpty();
    }

    /** With made-up vectors, since it is the sorting that is tested. */
    @Property(tries = 200)
    void everyQuestionIsInOneGroup(@ForAll @Size(max = 30) List<Integer> directions) {
        Meaning flat = new Meaning() {
            @Override
            public Embedding readText(Model model, String text) {
                return readQuestion(model, text);
            }

            @Override
            public Embedding readQuestion(Model model, String question) {
                double angle = Integer.parseInt(question);
                return Embedding.of(new float[] {(float) Math.cos(angle), (float) Math.sin(angle)});
            }
        };
        List<List<Integer>> groups =
                GapGroups.of(directions.stream().map(String::valueOf).toList(), flat);
        assertThat(groups.stream().flatMap(List::stream).sorted().toList())
                .isEqualTo(IntStream.range(0, directions.size()).boxed().toList());
        assertThat(groups).allSatisfy(group -> assertThat(group).isSorted());
    }
}
