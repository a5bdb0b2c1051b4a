/** The invented workshop that the demo starts with. */
@NullMarked
package prantel.server.demo;

import org.jspecify.annotations.NullMarked;
