package org.umberdial.server;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.ViewControllerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/** Serves the client: hashed assets for ever, its one page for every address it routes itself. */
@Configuration
class WebConfiguration implements WebMvcConfigurer {
    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/static/assets/")
                .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).immutable());
    }

    @Override
    public void addViewControllers(ViewControllerRegistry registry) {
        for (String address :
                new String[] {"/", "/sets/**", "/practice/**", "/house/**", "/welcome", "/sign-in", "/pair", "/account"
                }) {
            registry.addViewController(address).setViewName("forward:/index.html");
        }
    }
}
