package com.shuttle.core.engine.turn;

import com.shuttle.core.conversation.Place;
import com.shuttle.core.conversation.State;
import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/** The questions that were answered, oldest first, each once, to go back to. For one turn. */
public final class Trail {

    private final List<Place> places;

    public Trail(List<Place> places) {
        this.places = new ArrayList<>(places);
    }

    public void add(Place question) {
        places.remove(question);
        places.add(question);
        if (places.size() > State.TRAIL) {
            places.removeFirst();
        }
    }

    /** Takes off the last that fits, and all after it; null if there is none. */
    @Nullable
    public Place take(Predicate<Place> fits) {
        while (!places.isEmpty()) {
            Place place = places.removeLast();
            if (fits.test(place)) {
                return place;
            }
        }
        return null;
    }

    public void clear() {
        places.clear();
    }

    public List<Place> places() {
        return List.copyOf(places);
    }
}
