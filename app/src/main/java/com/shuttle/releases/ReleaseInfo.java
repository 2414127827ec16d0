package com.shuttle.releases;

import java.time.Instant;

/** A release as lists show it. {@code by} is a person's name, empty where unknown. */
public record ReleaseInfo(String id, int number, String note, String by, Instant at) {}
