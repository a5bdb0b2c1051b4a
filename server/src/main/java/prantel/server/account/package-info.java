/** People who sign in, and their passwords as hashes. */
@NullMarked
package prantel.server.account;

import org.jspecify.annotations.NullMarked;
