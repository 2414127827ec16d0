package com.shuttle.core.flow.shape;

import java.util.List;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A setting of a kind of step, or of an item in one of its lists. */
public sealed interface Property {

    /** The property of the JSON form. */
    String name();

    /** What a history calls it, e.g. "the error words". */
    String inWords();

    /** Where its control stands in the row of the script. */
    enum Place {
        /** In sight while the row is edited. */
        SIGHT,
        /** Folded away. */
        FOLDED
    }

    /** Wordings of one text that take turns. @param hint shown while the first is empty */
    record Wordings(String name, String inWords, String hint, boolean required) implements Property {
        public static Wordings of(String name, String hint) {
            return new Wordings(name, "the wording", hint, true);
        }

        public Wordings left() {
            return new Wordings(name, inWords, hint, false);
        }
    }

    /**
     * A single value.
     *
     * @param label    before the control
     * @param hint     shown while it is empty
     * @param after    behind the control; may be empty
     * @param reshapes whether changing it changes what else the row shows
     * @param required whether files must have it
     */
    record Field(
            String name,
            Form form,
            String label,
            String hint,
            String after,
            String inWords,
            Place place,
            When when,
            boolean reshapes,
            boolean required)
            implements Property {

        public static Field of(String name, Form form, String label, String hint) {
            return new Field(name, form, label, hint, "", "the settings", Place.FOLDED, When.ALWAYS, false, false);
        }

        public static Field of(String name, Form form, String label) {
            return of(name, form, label, "");
        }

        public Field inSight() {
            return new Field(name, form, label, hint, after, inWords, Place.SIGHT, when, reshapes, required);
        }

        public Field called(String words) {
            return new Field(name, form, label, hint, after, words, place, when, reshapes, required);
        }

        public Field before(String words) {
            return new Field(name, form, label, hint, words, inWords, place, when, reshapes, required);
        }

        public Field when(When condition) {
            return new Field(name, form, label, hint, after, inWords, place, condition, reshapes, required);
        }

        public Field reshaping() {
            return new Field(name, form, label, hint, after, inWords, place, when, true, required);
        }

        public Field needed() {
            return new Field(name, form, label, hint, after, inWords, place, when, reshapes, true);
        }
    }

    /**
     * Several values that belong together, as an object of its own.
     *
     * @param chosen the part whose choice makes the object; null for one that is made when first set
     * @param nullable whether files may say null
     */
    record Part(String name, String inWords, @Nullable Field chosen, List<Field> of, Place place, boolean nullable)
            implements Property {
        public Part {
            of = List.copyOf(of);
        }

        public static Part folded(String name, String inWords, List<Field> of) {
            return new Part(name, inWords, null, of, Place.FOLDED, false);
        }

        public static Part chosen(String name, String inWords, Field chosen, List<Field> of) {
            return new Part(name, inWords, chosen, of, Place.SIGHT, false);
        }

        public Part orNull() {
            return new Part(name, inWords, chosen, of, place, true);
        }
    }

    /**
     * A list of items.
     *
     * @param inWords  one item, e.g. "an option"
     * @param title    above it; may be empty
     * @param add      on the button that adds an item
     * @param key      the property that tells items apart; empty where they are told by their number
     * @param prefix   of the keys of new items
     * @param exit     prefix of the exit that each item has; empty for none
     * @param most     items a file may have
     * @param blank    a new item without its key
     * @param stands   where it stands in the row
     * @param when     when it is shown
     * @param required whether files must have it
     */
    record Items(
            String name,
            String inWords,
            String title,
            String add,
            String key,
            String prefix,
            String exit,
            int most,
            JsonNode blank,
            List<Property> of,
            Stands stands,
            When when,
            boolean required)
            implements Property {

        /** A list that is always shown and that files may leave out. */
        public Items(
                String name,
                String inWords,
                String title,
                String add,
                String key,
                String prefix,
                String exit,
                int most,
                JsonNode blank,
                List<Property> of,
                Stands stands) {
            this(name, inWords, title, add, key, prefix, exit, most, blank, of, stands, When.ALWAYS, false);
        }

        /** Where a list stands in the row. */
        public enum Stands {
            /** Before the settings. */
            FIRST,
            /** After the settings in sight. */
            AFTER,
            /** Folded away. */
            FOLDED,
            /** Written by the row itself. */
            OWN
        }

        public Items {
            of = List.copyOf(of);
        }

        public Items needed() {
            return new Items(name, inWords, title, add, key, prefix, exit, most, blank, of, stands, when, true);
        }

        public Items when(When condition) {
            return new Items(
                    name, inWords, title, add, key, prefix, exit, most, blank, of, stands, condition, required);
        }
    }
}
