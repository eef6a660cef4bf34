package org.umberdial.server;

import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The published description of the API; the client's types are generated from it. */
@Configuration
class OpenApiConfiguration {
    @Bean
    OpenApiCustomizer describe() {
        return api -> {
            api.setInfo(new Info()
                    .title("Umber Dial")
                    .version("1")
                    .description("Numbers are plain SI; failures are application/problem+json."));
            api.setServers(List.of());
            if (api.getComponents() != null && api.getComponents().getSchemas() != null) {
                api.getComponents().getSchemas().values().forEach(OpenApiConfiguration::requireAll);
            }
        };
    }

    /** A record always carries all its components; one that may be absent says so by being nullable. */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void requireAll(Schema schema) {
        if (schema.getProperties() != null) {
            schema.setRequired(new ArrayList<>(((Map<String, Schema>) schema.getProperties()).keySet()));
        }
    }
}
