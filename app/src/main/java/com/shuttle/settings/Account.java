package com.shuttle.settings;

/** A person who signs in. */
public record Account(String id, String name, String email, Role role) {}
