package app.loculus.app.library;

import app.loculus.core.command.LineReader;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** Lines name profiles of the library as it is when they are read. */
@Configuration
class LibraryConfig {

    @Bean
    LineReader lineReader(Library library) {
        return new LineReader(library::profiles);
    }
}
