package prantel.server.database;

import java.io.IOException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import prantel.server.PrantelSettings;

/** The database file exists by now: from here on only its owner reads it. */
@Component
class FolderAtStart {
    private static final Logger LOG = LoggerFactory.getLogger(FolderAtStart.class);

    private final PrantelSettings settings;

    FolderAtStart(PrantelSettings settings) {
        this.settings = settings;
    }

    @EventListener(ApplicationReadyEvent.class)
    void protect() {
        try {
            DataFolder.protect(settings.dataFolder());
        } catch (IOException e) {
            LOG.warn("The rights of the database file cannot be set: {}", e.getMessage());
        }
    }
}
