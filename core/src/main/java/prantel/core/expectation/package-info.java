/**
 * What each box of the sheet must read on this rig with these faults. In: rig, fault set, tester, scheme. Out: a {@link
 * prantel.core.expectation.Key}. {@link prantel.core.expectation.Bench} is where the one mechanism of the core is put
 * together.
 */
@NullMarked
package prantel.core.expectation;

import org.jspecify.annotations.NullMarked;
