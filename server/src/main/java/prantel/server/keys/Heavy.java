package prantel.server.keys;

/** A value that says itself how many small things it holds. */
public interface Heavy {
    int items();
}
