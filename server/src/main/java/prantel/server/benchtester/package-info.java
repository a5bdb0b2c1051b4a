/** Readings taken from a bay's bench tester. */
@NullMarked
package prantel.server.benchtester;

import org.jspecify.annotations.NullMarked;
