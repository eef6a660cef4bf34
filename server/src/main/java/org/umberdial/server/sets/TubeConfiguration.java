package org.umberdial.server.sets;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.umberdial.core.tube.TubeModels;

/** The tube data that the shops of this server go by. */
@Configuration
class TubeConfiguration {
    @Bean
    TubeModels tubeModels() {
        return TubeModels.shipped();
    }
}
