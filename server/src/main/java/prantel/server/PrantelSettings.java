package prantel.server;

import java.nio.file.Path;
import org.springframework.boot.context.properties.ConfigurationProperties;
import org.springframework.boot.context.properties.bind.DefaultValue;

/**
 * @param dataFolder where the database lives
 * @param address where tablets find the server, http://name:port; empty to go by the page that asks
 * @param demo whether to start with the invented workshop and to offer its sign-ins on the sign-in page
 */
@ConfigurationProperties("prantel")
public record PrantelSettings(
        Path dataFolder, @DefaultValue("") String address, boolean demo) {}
