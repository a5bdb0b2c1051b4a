/** What the two pictures are drawn from: circuit lines, profiles, rails. Computed here, drawn in the browser. */
@NullMarked
package prantel.server.picture;

import org.jspecify.annotations.NullMarked;
