/** Appointments: kinds, people and rooms, free times, bookings and their pages. */
@NullMarked
package com.shuttle.appointments;

import org.jspecify.annotations.NullMarked;
