package com.shuttle.tables;

import com.shuttle.web.Access;
import com.shuttle.web.Area;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class TablePlaces {

    @Bean
    Area tablesArea() {
        return new Area("tables", "Tables", "/tables", 25, Access.Who.DESIGNER);
    }
}
