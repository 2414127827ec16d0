package com.shuttle.inbox;

import com.shuttle.chat.ConversationService;
import com.shuttle.settings.Account;
import com.shuttle.settings.SignedIn;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** What the page frame shows: who is signed in, and how many visitors wait; both null for whoever is not signed in. */
@ControllerAdvice(annotations = Controller.class)
class FrameModel {

    private final ConversationService conversations;

    FrameModel(ConversationService conversations) {
        this.conversations = conversations;
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
