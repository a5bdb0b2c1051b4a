/** The complete record of one assessment: to read, as PDF, as JSON with its chain, as CSV. */
@NullMarked
package prantel.server.record;

import org.jspecify.annotations.NullMarked;
