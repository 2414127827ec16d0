package com.shuttle.knowledge;

import com.shuttle.web.Access;
import com.shuttle.web.Area;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Where the pages of this package are found. */
@Configuration
class KnowledgePlaces {

    @Bean
    Area knowledgeArea() {
        return new Area("knowledge", "Knowledge", "/knowledge", 20, Access.Who.DESIGNER);
    }
}
