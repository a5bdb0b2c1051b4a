/** Agreement between people who marked the same records. */
@NullMarked
package prantel.core.analysis;

import org.jspecify.annotations.NullMarked;
