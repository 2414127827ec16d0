/** The programming interface, version 1. */
@NullMarked
package com.shuttle.api;

import org.jspecify.annotations.NullMarked;
