package app.loculus.app;

import app.loculus.app.api.Asked;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.springdoc.core.configuration.SpringDocConfiguration;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.properties.SpringDocConfigProperties;
import org.springdoc.core.utils.SpringDocUtils;
import org.springdoc.webmvc.core.configuration.SpringDocWebMvcConfiguration;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.context.annotation.Bean;

/**
 * Beside the application: works its description out from the controllers, as it is kept in {@code openapi.json}.
 * Everything an answer has is required; what a request leaves out has a default.
 */
@ImportAutoConfiguration({
    SpringDocConfiguration.class,
    SpringDocConfigProperties.class,
    SpringDocWebMvcConfiguration.class
})
class Described {

    static final String PATH = "/described";

    Described() {
        SpringDocUtils.getConfig()
                .addRequestWrapperToIgnore(Asked.class)
                .addHiddenRestControllers("app.loculus.app.api.storage.HealthController");
    }

    @Bean
    OpenApiCustomizer description() {
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
