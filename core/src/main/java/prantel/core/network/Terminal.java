package prantel.core.network;

/** A place where branches meet and a probe can be held. The id is opaque to the network. */
public record Terminal(String id) {
    @Override
    public String toString() {
        return id;
    }
}
