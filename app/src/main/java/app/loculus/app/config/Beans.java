package app.loculus.app.config;

import app.loculus.core.profile.Profiles;
import app.loculus.formats.gdtf.ShippedProfiles;
import java.time.Clock;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What core needs from outside. */
@Configuration
class Beans {

    @Bean
    Clock clock() {
        return Clock.systemUTC();
    }

    @Bean
    Profiles shipped() {
        return ShippedProfiles.all();
    }
}
