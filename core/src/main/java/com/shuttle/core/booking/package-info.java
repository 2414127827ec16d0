/**
 * When an appointment can be: hours of people and rooms, kinds of appointment, the slots that are free, and who of several takes
 * one. Pure functions; what is taken and what time it is comes with the question.
 */
@NullMarked
package com.shuttle.core.booking;

import org.jspecify.annotations.NullMarked;
