package app.loculus.app.config;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The chapters are one page: each of their addresses leads to it. The description of the interface is a file beside it. */
@Configuration
class Pages implements WebMvcConfigurer {

    /** Their names say what is in them, so a browser that has one need not ask again. All else is asked for each time. */
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(
                        CacheControl.maxAge(Duration.ofDays(365)).cachePublic().immutable());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        for (String chapter : new String[] {
            "/",
            "/show",
            "/profiles",
            "/patch",
            "/groups",
            "/palettes",
            "/looks",
            "/check",
            "/hand-over",
            "/handheld",
            "/showing/*"
        }) {
            registry.addViewController(chapter).setViewName("forward:/index.html");
        }
        registry.addViewController("/api/openapi").setViewName("forward:/openapi.json");
    }
}
