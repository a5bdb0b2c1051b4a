package prantel.server.web;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;

/**
 * Scripts, styles and fonts of the pages. Their names hold a hash of what is in them, so a browser keeps them for good and asks
 * for none twice; a new build has new names. The page that names them is asked for each time.
 */
@Configuration
class Assets implements WebMvcConfigurer {
    private static final Duration FOR_GOOD = Duration.ofDays(365);

    @Override
    public void addResourceHandlers(ResourceHandlerRegistry registry) {
        registry.addResourceHandler("/assets/**")
                .addResourceLocations("classpath:/META-INF/resources/assets/", "classpath:/static/assets/")
                .setCacheControl(CacheControl.maxAge(FOR_GOOD).cachePublic().immutable());
    }
}
