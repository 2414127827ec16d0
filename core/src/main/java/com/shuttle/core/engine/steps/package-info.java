/**
 * What the steps do: one {@link com.shuttle.core.engine.steps.Player} for each kind, chosen by the exhaustive switch in
 * {@link com.shuttle.core.engine.steps.Players}.
 */
@NullMarked
package com.shuttle.core.engine.steps;

import org.jspecify.annotations.NullMarked;
