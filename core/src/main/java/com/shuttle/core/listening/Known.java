package com.shuttle.core.listening;

import com.shuttle.core.reading.Slot;
import com.shuttle.core.reading.Value;

/** Something known and so open to repair. */
public record Known(Slot slot, Value value) {}
