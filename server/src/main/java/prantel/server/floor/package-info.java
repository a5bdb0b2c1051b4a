/** The room at a glance: bays, and in the aisle what needs the assessor next. */
@NullMarked
package prantel.server.floor;

import org.jspecify.annotations.NullMarked;
