package app.loculus.app.config;

import app.loculus.app.library.Library;
import app.loculus.app.store.ProfileStore;
import app.loculus.core.command.LineReader;
import app.loculus.core.profile.Profiles;
import app.loculus.formats.gdtf.ShippedProfiles;
import app.loculus.formats.journal.JournalFormat;
import java.time.Clock;
import org.springframework.beans.factory.ObjectProvider;
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

    /** What the database holds of edits; it looks profiles up when it is asked. */
    @Bean
    JournalFormat journalFormat(ObjectProvider<ProfileStore> profiles) {
        return new JournalFormat(id -> profiles.getObject().get(id));
    }

    @Bean
    LineReader lineReader(Library library) {
        return new LineReader(library::profiles);
    }
}
