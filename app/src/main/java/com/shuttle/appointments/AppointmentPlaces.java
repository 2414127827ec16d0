package com.shuttle.appointments;

import com.shuttle.releases.Outsider;
import com.shuttle.web.Access;
import com.shuttle.web.Area;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class AppointmentPlaces {

    @Bean
    Area appointmentsArea() {
        return new Area("appointments", "Appointments", "/appointments", 35, Access.Who.AGENT);
    }

    @Bean
    Outsider kindsOfAppointment(Diaries diaries) {
        return new Outsider(
                "appointment", "kind of appointment", id -> diaries.bookable(id).isPresent());
    }
}
