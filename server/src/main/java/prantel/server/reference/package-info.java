/** The reference page: calculators of the core, for everybody who is signed in. Knows no bay, so it can show no key. */
@NullMarked
package prantel.server.reference;

import org.jspecify.annotations.NullMarked;
