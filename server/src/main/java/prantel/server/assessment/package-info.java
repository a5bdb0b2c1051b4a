/** One assessment as an append-only list of events, and the state derived from it. Every write is idempotent by the id the browser gave it. Read first Assessment, then Assessments. */
@NullMarked
package prantel.server.assessment;

import org.jspecify.annotations.NullMarked;
