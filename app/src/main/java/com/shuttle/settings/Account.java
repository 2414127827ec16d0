package com.shuttle.settings;

import java.io.Serializable;

/** A person who signs in. Kept with their session over a restart. */
public record Account(String id, String name, String email, Role role) implements Serializable {}
