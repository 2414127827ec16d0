package com.shuttle.screens;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import java.util.function.BooleanSupplier;

/** Ways to write a script. Steps are named by their ids, which both ways give in the same order. */
sealed interface Hand {

    /** Writes the first step and is left in its text. */
    void first();

    /** Adds a step below another one. */
    void below(String step, String added);

    /** Adds the first step of an option's branch. */
    void branch(String step, String option, String added);

    /** Gives the step just added another kind. */
    void become(String kind, String label);

    void type(String text);

    /** Names the options of the choice just written. */
    void options(String... labels);

    /** Leads an exit to a step that is called {@code name}. */
    void lead(String step, String exit, String name);

    static Locator row(Page page, String step) {
        return page.locator(".row[data-step=" + step + "]");
    }

    /**
     * Puts the pointer on the middle of a line until something is seen, since lines may be drawn anew meanwhile. A straight
     * line has no area, so that a browser driver takes it for unseen.
     */
    static void over(Page page, Locator line, Locator seen) {
        over(page, line, seen::isVisible);
    }

    /** The same until something holds. */
    static void over(Page page, Locator line, BooleanSupplier holds) {
        page.waitForCondition(() -> {
            List<?> middle = (List<?>) line.evaluate("""
                    line => {
                      line.scrollIntoView({ block: 'nearest' });
                      const middle = line.getPointAtLength(line.getTotalLength() / 2).matrixTransform(line.getScreenCTM());
                      return document.elementFromPoint(middle.x, middle.y) === line ? [middle.x, middle.y] : [];
                    }""");
            if (!middle.isEmpty()) {
                page.mouse().move(((Number) middle.get(0)).doubleValue(), ((Number) middle.get(1)).doubleValue());
            }
            if (holds.getAsBoolean()) {
                return true;
            }
            page.mouse().move(1, 1);
            return false;
        });
    }

    private static void there(Page page, String added) {
        assertThat(row(page, added).locator(".say").first()).isFocused();
    }

    /** Nothing but keys. */
    record Keys(Page page) implements Hand {

        @Override
        public void first() {
            Screens.tabTo(page, "[data-add-first]");
            page.keyboard().press("Enter");
            there(page, "n1");
        }

        private void goTo(String step) {
            String name = row(page, step).locator(".say").first().inputValue();
            page.keyboard().press("Control+k");
            assertThat(page.locator(".picker input")).isFocused();
            page.keyboard().type(name);
            page.keyboard().press("Enter");
            there(page, step);
        }

        @Override
        public void below(String step, String added) {
            goTo(step);
            page.keyboard().press("Enter");
            there(page, added);
        }

        @Override
        public void branch(String step, String option, String added) {
            goTo(step);
            Screens.tabTo(page, ".row.open .label-of");
            for (int i = 1; i < Integer.parseInt(option.substring(1)); i++) {
                page.keyboard().press("ArrowDown");
            }
            assertThat(page.locator("[data-step=" + step + "] [data-field='options." + option + ".label']"))
                    .isFocused();
            page.keyboard().press("Control+Enter");
            there(page, added);
        }

        @Override
        public void become(String kind, String label) {
            page.keyboard().press("/");
            assertThat(page.locator(".picker input")).isFocused();
            page.keyboard().type(label);
            page.keyboard().press("Enter");
            assertThat(page.locator(".row.open[data-kind=" + kind + "] .say")).isFocused();
        }

        @Override
        public void type(String text) {
            page.keyboard().type(text);
        }

        @Override
        public void options(String... labels) {
            for (int i = 0; i < labels.length; i++) {
                page.keyboard().press("Enter");
                assertThat(page.locator(".row.open .label-of").nth(i)).isFocused();
                page.keyboard().type(labels[i]);
            }
        }

        @Override
        public void lead(String step, String exit, String name) {
            goTo(step);
            Screens.tabTo(page, ".row.open [data-exit='" + exit + "']");
            page.keyboard().press("Enter");
            assertThat(page.locator(".picker input")).isFocused();
            page.keyboard().type(name);
            page.keyboard().press("Enter");
            assertThat(row(page, step).locator("[data-exit='" + exit + "']")).containsText(name);
        }
    }

    /** The mouse, and keys only for the letters of texts. */
    record Mouse(Page page) implements Hand {

        @Override
        public void first() {
            page.locator("[data-add-first]").click();
            there(page, "n1");
        }

        private Locator open(String step) {
            Locator row = row(page, step);
            row.locator(".say").first().click();
            assertThat(row).hasClass(java.util.regex.Pattern.compile(".*open.*"));
            return row;
        }

        private void pick(String label) {
            page.locator(".picker li", new Page.LocatorOptions().setHasText(label))
                    .first()
                    .click();
        }

        @Override
        public void below(String step, String added) {
            open(step).locator("[data-add]").click();
            there(page, added);
        }

        @Override
        public void branch(String step, String option, String added) {
            open(step).locator("[data-exit='option:" + option + "']").click();
            pick("A new step here");
            there(page, added);
        }

        @Override
        public void become(String kind, String label) {
            page.locator(".row.open .kind-button").click();
            pick(label);
            assertThat(page.locator(".row.open[data-kind=" + kind + "] .say")).isFocused();
        }

        @Override
        public void type(String text) {
            page.keyboard().type(text);
        }

        @Override
        public void options(String... labels) {
            for (int i = 0; i < labels.length; i++) {
                if (page.locator(".row.open .label-of").count() <= i) {
                    page.locator(".row.open [data-add-option]").click();
                    assertThat(page.locator(".row.open .label-of").nth(i)).isFocused();
                }
                page.locator(".row.open .label-of").nth(i).click();
                page.keyboard().type(labels[i]);
            }
        }

        @Override
        public void lead(String step, String exit, String name) {
            open(step).locator("[data-exit='" + exit + "']").click();
            pick(name);
            assertThat(row(page, step).locator("[data-exit='" + exit + "']")).containsText(name);
        }
    }
}
