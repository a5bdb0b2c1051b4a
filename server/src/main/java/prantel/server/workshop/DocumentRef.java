package prantel.server.workshop;

/** A version of a rig or tester. */
public record DocumentRef(String id, int version) {}
