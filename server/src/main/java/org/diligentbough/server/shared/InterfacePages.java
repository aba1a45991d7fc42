package org.diligentbough.server.shared;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/** Every address of the interface is answered with its one page, which finds the view itself. */
@Controller
class InterfacePages {

    @GetMapping({"/", "/join", "/come", "/sites/**", "/trees/**", "/people/**", "/settings/**"})
    String page() {
        return "forward:/index.html";
    }

    /** Files whose name carries their content's hash are kept by the browser; they lie packed beside themselves. */
    @Configuration
    static class Caching implements WebMvcConfigurer {
        @Override
        public void addResourceHandlers(ResourceHandlerRegistry registry) {
            registry.addResourceHandler("/assets/**")
                    .addResourceLocations("classpath:/static/assets/")
                    .setCacheControl(CacheControl.maxAge(Duration.ofDays(365)).cachePublic())
                    .resourceChain(true)
                    .addResolver(new EncodedResourceResolver());
        }
    }
}
