package app.loculus.app;

import app.loculus.formats.gdtf.ShippedProfiles;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.SpringBootConfiguration;
import org.springframework.boot.autoconfigure.ImportAutoConfiguration;
import org.springframework.boot.autoconfigure.context.PropertyPlaceholderAutoConfiguration;
import org.springframework.boot.autoconfigure.http.HttpMessageConvertersAutoConfiguration;
import org.springframework.boot.autoconfigure.jackson.JacksonAutoConfiguration;
import org.springframework.boot.autoconfigure.web.embedded.EmbeddedWebServerFactoryCustomizerAutoConfiguration;
import org.springframework.boot.autoconfigure.web.servlet.DispatcherServletAutoConfiguration;
import org.springframework.boot.autoconfigure.web.servlet.HttpEncodingAutoConfiguration;
import org.springframework.boot.autoconfigure.web.servlet.MultipartAutoConfiguration;
import org.springframework.boot.autoconfigure.web.servlet.ServletWebServerFactoryAutoConfiguration;
import org.springframework.boot.autoconfigure.web.servlet.WebMvcAutoConfiguration;
import org.springframework.boot.autoconfigure.web.servlet.error.ErrorMvcAutoConfiguration;
import org.springframework.boot.autoconfigure.websocket.servlet.WebSocketServletAutoConfiguration;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.context.annotation.ComponentScan;

/**
 * The application: one process, loopback only unless told otherwise.
 *
 * <p>What is set up by itself is named one by one, since everything that is only looked at costs a part of each start.
 */
@SpringBootConfiguration
@ComponentScan
@ConfigurationPropertiesScan
@ImportAutoConfiguration({
    PropertyPlaceholderAutoConfiguration.class,
    JacksonAutoConfiguration.class,
    HttpMessageConvertersAutoConfiguration.class,
    ServletWebServerFactoryAutoConfiguration.class,
    EmbeddedWebServerFactoryCustomizerAutoConfiguration.class,
    DispatcherServletAutoConfiguration.class,
    HttpEncodingAutoConfiguration.class,
    MultipartAutoConfiguration.class,
    WebMvcAutoConfiguration.class,
    ErrorMvcAutoConfiguration.class,
    WebSocketServletAutoConfiguration.class
})
public class LoculusApplication {

    public static void main(String[] args) {
        // Read beside the start, which takes no longer for it.
        Thread profiles = new Thread(ShippedProfiles::all, "profiles");
        profiles.setDaemon(true);
        profiles.start();
        SpringApplication.run(LoculusApplication.class, args);
    }
}
