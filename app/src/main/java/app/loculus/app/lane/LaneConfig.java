package app.loculus.app.lane;

import jakarta.servlet.DispatcherType;
import java.util.EnumSet;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.Ordered;

/** Puts the lanes behind {@code LocalOnly} and before everything else, also when a request goes on that has waited. */
@Configuration
class LaneConfig {

    @Bean
    FilterRegistrationBean<Lanes> lanes() {
        FilterRegistrationBean<Lanes> registered = new FilterRegistrationBean<>(new Lanes());
        registered.setDispatcherTypes(EnumSet.of(DispatcherType.REQUEST, DispatcherType.ASYNC));
        registered.setAsyncSupported(true);
        registered.setOrder(Ordered.HIGHEST_PRECEDENCE + 20);
        return registered;
    }
}
