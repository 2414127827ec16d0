package com.shuttle.core.channel;

import com.shuttle.core.conversation.Message.Offer;
import java.util.List;

/**
 * Options in pages. Where they do not fit on one, the last place of each but the last page leads on.
 *
 * @param all  the options
 * @param size places of a page, at least 2
 */
record Pages(List<Offer> all, int size) {

    static final String MORE = "more:";

    Pages {
        all = List.copyOf(all);
    }

    int many() {
        return all.size() <= size ? 1 : (all.size() + size - 2) / (size - 1);
    }

    /** @param page from 0 on; one that is not there is the last */
    int first(int page) {
        return Math.min(page, many() - 1) * (size - 1);
    }

    List<Offer> of(int page) {
        int first = many() == 1 ? 0 : first(page);
        int end = many() == 1 ? all.size() : Math.min(all.size(), first + size - 1);
        return all.subList(first, end);
    }

    boolean leadsOn(int page) {
        return page < many() - 1;
    }
}
