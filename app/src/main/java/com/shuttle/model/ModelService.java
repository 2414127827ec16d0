package com.shuttle.model;

import com.shuttle.web.Checked;
import com.shuttle.web.Remembered;
import com.shuttle.web.Vault;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The settings of the language model; its key is kept sealed. Thread-safe. */
@Service
public class ModelService {

    private final ModelStore store;
    private final Vault vault;
    private final Remembered<ModelSettings> kept;

    ModelService(ModelStore store, Vault vault) {
        this.store = store;
        this.vault = vault;
        this.kept = new Remembered<>(() -> store.settings()
                .map(one -> one.withKey(one.key().isEmpty() ? "" : vault.open(one.key())))
                .orElse(ModelSettings.NONE));
    }

    public ModelSettings settings() {
        return kept.get();
    }

    /** @param key empty to keep the one there is, as long as the address stays */
    @Transactional
    public Checked<ModelSettings> set(boolean enabled, String address, String name, String key, int millis) {
        boolean keeps = key.isBlank() && address.strip().equals(settings().address());
        ModelSettings wanted = new ModelSettings(
                enabled, address.strip(), name.strip(), keeps ? settings().key() : key.strip(), millis);
        Checked<ModelSettings> checked = wanted.checked();
        if (checked instanceof Checked.Good<ModelSettings>) {
            store.set(wanted.withKey(wanted.key().isEmpty() ? "" : vault.seal(wanted.key())));
            kept.changed();
        }
        return checked;
    }
}
