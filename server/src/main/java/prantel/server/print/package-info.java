/** From a template and a view to a PDF: fonts embedded, tagged. */
@NullMarked
package prantel.server.print;

import org.jspecify.annotations.NullMarked;
