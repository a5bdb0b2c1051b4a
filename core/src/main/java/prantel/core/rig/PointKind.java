package prantel.core.rig;

/** What is fitted at a point. */
public enum PointKind {
    SINGLE_SOCKET("single-socket"),
    TWIN_SOCKET("twin-socket");

    private final String id;

    PointKind(String id) {
        this.id = id;
    }

    public String id() {
        return id;
    }
}
