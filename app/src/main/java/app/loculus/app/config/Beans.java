package app.loculus.app.config;

import app.loculus.app.library.Library;
import app.loculus.app.store.ProfileStore;
import app.loculus.core.command.LineReader;
import app.loculus.core.profile.Profiles;
import app.loculus.formats.gdtf.ShippedProfiles;
import app.loculus.formats.journal.JournalFormat;
import java.time.Clock;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.beans.factory.annotation.AnnotatedBeanDefinition;
import org.springframework.beans.factory.config.BeanDefinition;
import org.springframework.beans.factory.config.BeanFactoryPostProcessor;
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

    /** The description of the interface is worked out when it is asked for, not at every start. */
    @Bean
    static BeanFactoryPostProcessor describedWhenAsked() {
        return beans -> {
            for (String name : beans.getBeanDefinitionNames()) {
                if (name.startsWith("org.springdoc") || of(beans.getBeanDefinition(name)).startsWith("org.springdoc")) {
                    beans.getBeanDefinition(name).setLazyInit(true);
                }
            }
        };
    }

    private static String of(BeanDefinition definition) {
        return definition instanceof AnnotatedBeanDefinition made && made.getFactoryMethodMetadata() != null
                ? made.getFactoryMethodMetadata().getDeclaringClassName()
                : String.valueOf(definition.getBeanClassName());
    }
}
