package com.shuttle.inbox;

import com.shuttle.chat.ConversationService;
import com.shuttle.settings.SignedIn;
import org.jspecify.annotations.Nullable;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.web.bind.annotation.ControllerAdvice;
import org.springframework.web.bind.annotation.ModelAttribute;

/** How many visitors wait for a person, for the page frame; null for whoever is not signed in. */
@ControllerAdvice
class WaitingCount {

    private final ConversationService conversations;

    WaitingCount(ConversationService conversations) {
        this.conversations = conversations;
    }

    @ModelAttribute("waiting")
    @Nullable
    Integer waiting(@AuthenticationPrincipal @Nullable SignedIn person) {
        return person == null ? null : conversations.waiting();
    }
}
