/** The simulated outside world: what the demo and the tests meet in place of real people and services. */
@NullMarked
package com.shuttle.standins;

import org.jspecify.annotations.NullMarked;
