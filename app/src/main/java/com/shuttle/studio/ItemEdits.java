package com.shuttle.studio;

import com.shuttle.core.edit.Edit;
import java.util.ArrayList;
import java.util.List;

/** The items of one of a step's lists, while edits that fit them to something outside the flow are gathered. */
final class ItemEdits {

    /** An item. @param of what it stands for outside */
    record Item(String id, String of) {}

    private final List<Edit> edits;
    private final String step;
    private final String list;
    private final String prefix;
    private final List<Item> items;

    ItemEdits(List<Edit> edits, String step, String list, String prefix, List<Item> items) {
        this.edits = edits;
        this.step = step;
        this.list = list;
        this.prefix = prefix;
        this.items = new ArrayList<>(items);
    }

    /** Leaves out what is none of these. */
    void drop(List<String> wanted) {
        for (Item item : List.copyOf(items)) {
            if (!wanted.contains(item.of())) {
                edits.add(new Edit.DeleteItem(step, list, item.id()));
                items.remove(item);
            }
        }
    }

    /** Adds an item with these fields, unless there is one for the same. */
    void add(String of, String... fields) {
        if (items.stream().anyMatch(item -> item.of().equals(of))) {
            return;
        }
        int n = 1;
        while (true) {
            String id = prefix + n;
            if (items.stream().noneMatch(item -> item.id().equals(id))) {
                break;
            }
            n++;
        }
        String id = prefix + n;
        items.add(new Item(id, of));
        edits.add(new Edit.AddItem(step, list, null));
        for (int i = 0; i < fields.length; i += 2) {
            edits.add(new Edit.Set(step, list + "." + id + "." + fields[i], fields[i + 1]));
        }
    }
}
