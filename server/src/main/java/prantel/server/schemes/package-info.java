/** Schemes: listed, read as a person reads them, imported, exported, held against each other. */
@NullMarked
package prantel.server.schemes;

import org.jspecify.annotations.NullMarked;
