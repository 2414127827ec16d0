package com.shuttle.bots;

import com.shuttle.web.Checked;
import com.shuttle.web.Merge;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps what two forms say of one bot. Each changes its own fields alone, and those only that were changed in it, so that nobody
 * takes back what another did meanwhile; see {@link Merge}. Thread-safe.
 */
@Service
class BotForms {

    private final BotService bots;

    BotForms(BotService bots) {
        this.bots = bots;
    }

    /** What came of a form. */
    sealed interface Result {}

    record Kept() implements Result {}

    /**
     * Nothing was kept.
     *
     * @param errors a sentence for each field that is wrong, or that another has changed too
     * @param was    what the form is to say that it showed, when it is sent again
     */
    record Refused(Map<String, String> errors, String was) implements Result {}

    @Transactional
    public Result profile(String id, Map<String, String> form) {
        Bot bot = bots.locked(id);
        Merge merge = Merge.of(form, ProfileForm.fields(bot));
        if (!merge.theirs().isEmpty()) {
            return refused(ProfileForm.told(merge.errors()), merge);
        }
        return bots.change(id, ProfileForm.read(merge.values(), bot.manner())) instanceof Checked.Bad<Bot> bad
                ? refused(bad.errors(), merge)
                : new Kept();
    }

    @Transactional
    public Result manners(String id, Map<String, String> form) {
        Bot bot = bots.locked(id);
        Merge merge = Merge.of(form, MannersForm.fields(bot));
        MannersForm read = MannersForm.read(merge.values());
        Map<String, String> errors = new LinkedHashMap<>(merge.errors());
        errors.putAll(read.errors());
        if (!errors.isEmpty()) {
            return refused(errors, merge);
        }
        bots.behave(id, bot.manner().saying(read.responses()).typing(read.speed()), read.standing());
        return new Kept();
    }

    private static Refused refused(Map<String, String> errors, Merge merge) {
        return new Refused(errors, Merge.written(merge.seen()));
    }
}
