package com.shuttle.chat;

import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.shuttle.core.conversation.Deed;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Every deed has exactly one handler, or nothing starts. */
class DeedsTest {

    private static <D extends Deed> DeedHandler<D> idle(Class<D> type) {
        return DeedHandler.of(type, (conversation, deed, at) -> {});
    }

    private static List<DeedHandler<?>> all() {
        List<DeedHandler<?>> all = new ArrayList<>();
        Arrays.stream(Deed.class.getPermittedSubclasses()).forEach(type -> all.add(idle(type.asSubclass(Deed.class))));
        return all;
    }

    @Test
    void aMissingHandlerIsNamed() {
        List<DeedHandler<?>> some = all();
        some.removeIf(handler -> handler.type() == Deed.Reach.class);
        assertThatThrownBy(() -> new Deeds(some, List.of())).hasMessageContaining("Reach");
    }

    @Test
    void twoHandlersOfOneTypeAreNamed() {
        List<DeedHandler<?>> more = all();
        more.add(idle(Deed.Rate.class));
        assertThatThrownBy(() -> new Deeds(more, List.of())).hasMessageContaining("Rate");
    }
}
