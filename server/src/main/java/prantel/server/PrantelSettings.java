package prantel.server;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;

/**
 * @param dataFolder where the database lives
 * @param demo whether to start with the invented workshop and to offer its sign-ins on the sign-in page
 */
@ConfigurationProperties("prantel")
public record PrantelSettings(Path dataFolder, boolean demo) {}
