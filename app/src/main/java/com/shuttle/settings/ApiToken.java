package com.shuttle.settings;

import java.time.Instant;

/** A key for programs, without the secret itself, which is shown once and not kept. */
public record ApiToken(String id, String name, Instant createdAt) {}
