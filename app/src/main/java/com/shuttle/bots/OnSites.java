package com.shuttle.bots;

/** Whether a bot shows on websites. The package that shows it there knows, which stands above bots. */
public interface OnSites {

    /** Whether it is switched on, of one that shows on any website. */
    State state(String bot);

    /** How it stands. */
    enum State {
        NOWHERE,
        ON,
        OFF
    }
}
