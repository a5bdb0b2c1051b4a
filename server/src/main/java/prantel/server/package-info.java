/** The server: HTTP, sign-in and database around the core. One package a feature. */
@NullMarked
package prantel.server;

import org.jspecify.annotations.NullMarked;
