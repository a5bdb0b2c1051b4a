/** Who may do what: sign-in, lock-out on guessing, roles, first set-up. Decided here for every call. */
@NullMarked
package prantel.server.security;

import org.jspecify.annotations.NullMarked;
