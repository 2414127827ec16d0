package com.shuttle.inbox;

import com.shuttle.chat.ConversationService;
import com.shuttle.settings.Account;
import com.shuttle.settings.SignedIn;
import com.shuttle.web.Area;
import com.shuttle.web.BotTab;
import java.util.Comparator;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What the page frame shows: who is signed in, and how many visitors wait; both null for whoever is not signed in. */
@ControllerAdvice(annotations = Controller.class)
class FrameModel {

    private final ConversationService conversations;
    private final List<Area> areas;
    private final List<BotTab> tabs;

    FrameModel(ConversationService conversations, List<Area> areas, List<BotTab> tabs) {
        this.conversations = conversations;
        this.areas = areas.stream().sorted(Comparator.comparingInt(Area::place)).toList();
        this.tabs = tabs.stream().sorted(Comparator.comparingInt(BotTab::place)).toList();
    }

    /** The areas that whoever is signed in may enter. */
    @ModelAttribute("areas")
    List<Area> areas(@AuthenticationPrincipal @Nullable SignedIn person) {
        return person == null
                ? List.of()
                : areas.stream()
                        .filter(area -> person.account().role().mayBe(area.who()))
                        .toList();
    }

    @ModelAttribute("botTabs")
    List<BotTab> tabs() {
        return tabs;
    }

    @ModelAttribute("me")
    @Nullable
    Account me(@AuthenticationPrincipal @Nullable SignedIn person) {
        return person == null ? null : person.account();
    }

    @ModelAttribute("waiting")
    @Nullable
    Integer waiting(@AuthenticationPrincipal @Nullable SignedIn person) {
        return person == null ? null : conversations.waiting();
    }
}
