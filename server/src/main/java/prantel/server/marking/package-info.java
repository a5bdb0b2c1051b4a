/** Mark: the handed-in sheet against its key, with explanations; the assessor's decisions. */
@NullMarked
package prantel.server.marking;

import org.jspecify.annotations.NullMarked;
