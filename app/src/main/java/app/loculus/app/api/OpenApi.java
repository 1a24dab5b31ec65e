package app.loculus.app.api;

import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Describes the interface: everything an answer has is required; what a request leaves out has a default. */
@Configuration
class OpenApi {

    @Bean
    OpenApiCustomizer described() {
        return api -> {
            api.setInfo(new Info().title("Loculus").version("1"));
            api.setServers(List.of());
            @SuppressWarnings("rawtypes") // as the library declares it
            Map<String, Schema> schemas = api.getComponents().getSchemas();
            schemas.forEach((name, schema) -> require(name, schema));
        };
    }

    @SuppressWarnings("unchecked")
    private static void require(String name, Schema<?> schema) {
        if (!name.endsWith("Request") && schema.getProperties() != null) {
            schema.setRequired(new ArrayList<>(((Map<String, Schema<?>>) (Map<?, ?>) schema.getProperties()).keySet()));
        }
    }
}
