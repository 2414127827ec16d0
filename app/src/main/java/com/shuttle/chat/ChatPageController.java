package com.shuttle.chat;

import com.shuttle.bots.Bot;
import com.shuttle.bots.BotService;
import com.shuttle.core.knowledge.Article;
import com.shuttle.knowledge.KnowledgeService;
import com.shuttle.releases.ReleaseService;
import com.shuttle.web.Access;
import com.shuttle.web.Markdown;
import com.shuttle.web.Missing;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** The visitor's page. */
@Controller
@Access(Access.Who.EVERYBODY)
class ChatPageController {

    private final BotService bots;
    private final ReleaseService releases;
    private final KnowledgeService knowledge;
    private final Markdown markdown;

    ChatPageController(BotService bots, ReleaseService releases, KnowledgeService knowledge, Markdown markdown) {
        this.knowledge = knowledge;
        this.markdown = markdown;
        this.bots = bots;
        this.releases = releases;
    }

    @GetMapping("/chat/{slug}")
    String page(@PathVariable String slug, Model model) {
        Bot bot = bots.bySlug(slug)
                .filter(b -> releases.live(b.id()).isPresent())
                .orElseThrow(() -> new Missing("bot", slug));
        model.addAttribute("bot", bot);
        return "chat/page";
    }

    /** An article that a bot answers from, to be read whole. @param bot the bot's id, as its answers link */
    @GetMapping("/chat/{bot}/articles/{ref}")
    String article(@PathVariable String bot, @PathVariable String ref, Model model) {
        Article article = releases.live(bot).isEmpty()
                ? null
                : knowledge.articleByRef(knowledge.collectionsOf(bot), ref).orElse(null);
        if (article == null) {
            throw new Missing("article", ref);
        }
        model.addAttribute("bot", bots.bot(bot));
        model.addAttribute("article", article);
        model.addAttribute("text", markdown.article(article.markdown()));
        return "chat/article";
    }
}
