package app.loculus.app.store;

import app.loculus.formats.journal.JournalFormat;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** What the database holds of edits; it looks profiles up when it is asked. */
@Configuration
class JournalConfig {

    @Bean
    JournalFormat journalFormat(ObjectProvider<ProfileStore> profiles) {
        return new JournalFormat(id -> profiles.getObject().get(id));
    }
}
