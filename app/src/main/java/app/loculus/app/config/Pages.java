package app.loculus.app.config;

import org.springframework.context.annotation.Configuration;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** The chapters are one page: each of their addresses leads to it. The description of the interface is a file beside it. */
@Configuration
class Pages implements WebMvcConfigurer {

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
