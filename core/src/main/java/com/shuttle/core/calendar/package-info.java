/** Hours of the week and time zones. Pure functions; what time it is comes with the question. */
@NullMarked
package com.shuttle.core.calendar;

import org.jspecify.annotations.NullMarked;
