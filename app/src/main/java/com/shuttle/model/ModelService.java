package com.shuttle.model;

import com.shuttle.web.AfterCommit;
import com.shuttle.web.Checked;
import com.shuttle.web.Vault;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The settings of the language model; its key is kept sealed. Thread-safe. */
@Service
public class ModelService {

    private final ModelStore store;
    private final Vault vault;
    private volatile ModelSettings settings = ModelSettings.NONE;
    private volatile boolean read;

    ModelService(ModelStore store, Vault vault) {
        this.store = store;
        this.vault = vault;
    }

    public ModelSettings settings() {
        if (!read) {
            settings = store.settings()
                    .map(kept -> kept.withKey(kept.key().isEmpty() ? "" : vault.open(kept.key())))
                    .orElse(ModelSettings.NONE);
            read = true;
        }
        return settings;
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
            AfterCommit.run(() -> read = false);
        }
        return checked;
    }
}
