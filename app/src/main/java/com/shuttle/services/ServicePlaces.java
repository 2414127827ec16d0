package com.shuttle.services;

import com.shuttle.releases.Outsider;
import com.shuttle.web.Access;
import com.shuttle.web.Area;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class ServicePlaces {

    @Bean
    Area servicesArea() {
        return new Area("services", "Services", "/services", 27, Access.Who.DESIGNER);
    }

    @Bean
    Outsider publishedServices(Catalogue services) {
        return new Outsider(
                "service",
                "service",
                id -> services.published().stream()
                        .anyMatch(service -> service.id().equals(id)));
    }
}
