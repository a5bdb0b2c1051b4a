/** The candidate's sheet. Nothing that leaves this package may hold a fault set, an expected value or another candidate's record. */
@NullMarked
package prantel.server.sheet;

import org.jspecify.annotations.NullMarked;
