package com.shuttle.studio;

import com.shuttle.core.edit.Edit;
import com.shuttle.core.flow.Flow;
import com.shuttle.core.flow.Score;
import com.shuttle.core.flow.Scorecard;
import com.shuttle.scorecards.Scorecards;
import com.shuttle.scorecards.StoredCard;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.stereotype.Component;

/** When a step is given a scorecard, its bands come with it, best first, as one edit. Those it has already stay, with where they lead. */
@Component
class CardFilling {

    private final Scorecards cards;

    CardFilling(Scorecards cards) {
        this.cards = cards;
    }

    /** The edit as it is to be made; most are as they are. */
    Edit filled(Flow flow, Edit edit) {
        if (!(edit instanceof Edit.Set set)
                || !set.field().equals("card")
                || !(flow.findStep(set.step()).orElse(null) instanceof Score step)) {
            return edit;
        }
        return cards.find(set.value())
                .map(StoredCard::card)
                .<Edit>map(card -> new Edit.Several(edits(step, card, set)))
                .orElse(edit);
    }

    private static List<Edit> edits(Score step, Scorecard card, Edit.Set set) {
        List<Edit> edits = new ArrayList<>(List.of(set));
        ItemEdits bands = new ItemEdits(
                edits,
                step.id(),
                "bands",
                "b",
                step.bands().stream()
                        .map(way -> new ItemEdits.Item(way.id(), way.band()))
                        .toList());
        bands.drop(card.bands().stream().map(Scorecard.Band::id).toList());
        card.bands().stream()
                .sorted(Comparator.comparingInt(Scorecard.Band::from).reversed())
                .forEach(band -> bands.add(band.id(), "band", band.id(), "name", band.name()));
        return edits;
    }
}
