package prantel.server.workshop;

/** A place in the room with a rig in it. */
public record Bay(String bayId, int number, String rigId, int rigVersion) {}
