package prantel.server.account;

/** A person who signs in. */
public record Account(String accountId, String name, Role role, String passwordHash) {}
