/**
 * An assessment: what happened, where it stands by that, and what may happen next. Pure: in come events with their time and
 * author, out come a state and the rules' answer; nothing here knows HTTP, SQL or a clock.
 */
@NullMarked
package prantel.core.assessment;

import org.jspecify.annotations.NullMarked;
