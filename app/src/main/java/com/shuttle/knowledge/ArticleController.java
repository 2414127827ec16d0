package com.shuttle.knowledge;

import com.shuttle.core.knowledge.Standing;
import com.shuttle.web.Access;
import com.shuttle.web.Checked;
import com.shuttle.web.Listing;
import com.shuttle.web.Listing.Column;
import com.shuttle.web.Markdown;
import com.shuttle.web.Wanted;
import jakarta.servlet.http.HttpSession;
import java.util.Map;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The articles of a collection. */
@Controller
@Access(Access.Who.DESIGNER)
@RequestMapping("/knowledge/{id}/articles")
class ArticleController {

    /** Where the article deleted last is kept, so that it can be put back. */
    private static final String DELETED = "deletedArticle";

    private final KnowledgeService knowledge;
    private final ArticleService articles;
    private final Markdown markdown;

    ArticleController(KnowledgeService knowledge, ArticleService articles, Markdown markdown) {
        this.knowledge = knowledge;
        this.articles = articles;
        this.markdown = markdown;
    }

    @GetMapping
    String list(
            @PathVariable String id, @RequestParam Map<String, String> parameters, HttpSession session, Model model) {
        Wanted wanted = Wanted.of(parameters);
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute(
                "listing",
                Listing.of("/knowledge/" + id + "/articles", wanted, articles.articles(id, wanted))
                        .searched("Search titles and texts")
                        .columns(
                                Column.sorted("Title", "title"),
                                Column.sorted("Category", "category"),
                                Column.sorted("Changed", "updated")));
        boolean canRestore = session.getAttribute(DELETED) instanceof StoredArticle article
                && article.collection().equals(id);
        model.addAttribute("canRestore", canRestore);
        return "knowledge/articles";
    }

    @GetMapping("/new")
    String blank(@PathVariable String id, @RequestParam(defaultValue = "") String question, Model model) {
        return form(id, "", question, "", "", StandingForm.of(Standing.USUAL), Map.of(), model);
    }

    @PostMapping
    String add(
            @PathVariable String id,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(name = "markdown", defaultValue = "") String text,
            @RequestParam(defaultValue = "") String category,
            StandingForm standing,
            Model model,
            RedirectAttributes flash) {
        if (articles.add(id, title, text, category, standing.standing()) instanceof Checked.Bad<String> bad) {
            return form(id, "", title, text, category, standing, bad.errors(), model);
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/knowledge/" + id + "/articles";
    }

    @GetMapping("/{article}")
    String article(@PathVariable String id, @PathVariable String article, Model model) {
        StoredArticle stored = articles.article(article);
        return form(
                stored.collection(),
                article,
                stored.article().title(),
                stored.article().markdown(),
                stored.article().category(),
                StandingForm.of(stored.article().standing()),
                Map.of(),
                model);
    }

    @PostMapping("/{article}")
    String change(
            @PathVariable String id,
            @PathVariable String article,
            @RequestParam(defaultValue = "") String title,
            @RequestParam(name = "markdown", defaultValue = "") String text,
            @RequestParam(defaultValue = "") String category,
            StandingForm standing,
            Model model,
            RedirectAttributes flash) {
        if (articles.change(article, title, text, category, standing.standing()) instanceof Checked.Bad<String> bad) {
            return form(id, article, title, text, category, standing, bad.errors(), model);
        }
        flash.addFlashAttribute("saved", true);
        return "redirect:/knowledge/" + id + "/articles";
    }

    /** What the text will look like. */
    @PostMapping(path = "/preview", produces = MediaType.TEXT_HTML_VALUE)
    @ResponseBody
    String preview(@PathVariable String id, @RequestParam(name = "markdown", defaultValue = "") String text) {
        return markdown.article(text);
    }

    @PostMapping("/{article}/delete")
    String delete(@PathVariable String id, @PathVariable String article, HttpSession session) {
        session.setAttribute(DELETED, articles.delete(article));
        return "redirect:/knowledge/" + id + "/articles";
    }

    @PostMapping("/restore")
    String restore(@PathVariable String id, HttpSession session) {
        if (session.getAttribute(DELETED) instanceof StoredArticle article) {
            articles.restore(article);
            session.removeAttribute(DELETED);
        }
        return "redirect:/knowledge/" + id + "/articles";
    }

    private String form(
            String id,
            String article,
            String title,
            String text,
            String category,
            StandingForm standing,
            Map<String, String> errors,
            Model model) {
        model.addAttribute("collection", knowledge.collection(id));
        model.addAttribute("article", article);
        model.addAttribute("title", title);
        model.addAttribute("text", text);
        model.addAttribute("preview", markdown.article(text));
        model.addAttribute("category", category);
        model.addAttribute("standing", standing);
        model.addAttribute("errors", errors);
        return "knowledge/article";
    }
}
