/** Feedback as the assessor writes it: drafted from the marks, edited, given. What the candidate reads is in the sheet's room. */
@NullMarked
package prantel.server.feedback;

import org.jspecify.annotations.NullMarked;
