package com.shuttle.bots;

import com.shuttle.web.Checked;
import com.shuttle.web.Sent;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Keeps what two forms say of one bot. Each changes its own fields alone, and those only that were changed in it, so that nobody
 * takes back what another did meanwhile; see {@link com.shuttle.web.Merge}. Thread-safe.
 */
@Service
class BotForms {

    private final BotService bots;

    BotForms(BotService bots) {
        this.bots = bots;
    }

    @Transactional
    public Sent<Bot> profile(String id, Map<String, String> form) {
        Bot bot = bots.locked(id);
        return Sent.merged(
                form, ProfileForm.fields(bot), fields -> bots.change(id, ProfileForm.read(fields, bot.manner())));
    }

    @Transactional
    public Sent<Bot> manners(String id, Map<String, String> form) {
        Bot bot = bots.locked(id);
        return Sent.merged(form, MannersForm.fields(bot), fields -> {
            MannersForm read = MannersForm.read(fields);
            if (!read.errors().isEmpty()) {
                return new Checked.Bad<>(read.errors());
            }
            bots.behave(id, bot.manner().saying(read.responses()).typing(read.speed()), read.standing());
            return Checked.good(bots.bot(id));
        });
    }
}
