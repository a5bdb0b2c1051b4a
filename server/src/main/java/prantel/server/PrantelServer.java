package prantel.server;

import java.nio.file.Path;
import java.time.Clock;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationEnvironmentPreparedEvent;
import org.springframework.boot.context.properties.ConfigurationPropertiesScan;
import org.springframework.boot.security.autoconfigure.UserDetailsServiceAutoConfiguration;
import org.springframework.context.ApplicationListener;
import org.springframework.context.annotation.Bean;
import org.springframework.core.env.Environment;
import org.springframework.scheduling.annotation.EnableScheduling;
import prantel.server.database.DataFolder;

/** Starts the server. Data folder and demo are settings: see {@link PrantelSettings}. */
@SpringBootApplication(exclude = UserDetailsServiceAutoConfiguration.class)
@ConfigurationPropertiesScan
@EnableScheduling
public class PrantelServer {
    private static final int UNUSABLE_FOLDER = 3;

    public static void main(String[] args) {
        SpringApplication application = new SpringApplication(PrantelServer.class);
        application.addListeners(
                (ApplicationListener<ApplicationEnvironmentPreparedEvent>) event -> takeFolder(event.getEnvironment()));
        try {
            application.run(args);
        } catch (DataFolder.Unusable e) {
            // one sentence for the person who starts it, not a hundred lines for nobody
            System.err.println("prantel: " + e.getMessage());
            System.exit(UNUSABLE_FOLDER);
        }
    }

    private static void takeFolder(Environment environment) {
        DataFolder.take(
                Path.of(environment.getRequiredProperty("prantel.data-folder")),
                environment.getProperty("prantel.demo", Boolean.class, false));
    }

    @Bean
    Clock clock() {
        return Clock.systemDefaultZone();
    }
}
