/** Practice: a rig in the browser, for one person, apart from every assessment. */
@NullMarked
package prantel.server.practice;

import org.jspecify.annotations.NullMarked;
