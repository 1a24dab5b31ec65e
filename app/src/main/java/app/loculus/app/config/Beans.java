package app.loculus.app.config;

import app.loculus.app.library.Library;
import app.loculus.core.command.LineReader;
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
        return ShippedProfiles.read();
    }

    @Bean
    LineReader lineReader(Library library) {
        return new LineReader(library::profiles);
    }
}
