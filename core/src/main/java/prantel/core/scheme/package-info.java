/**
 * A school of testing and assessing as data: the steps in their order, what each asks for, how the tests are practised,
 * what counts and how much. In: a file of format {@code prantel-scheme-1}. The code here knows kinds of test, of rule and
 * of criterion; which are used, where, and how much they count is the file's.
 */
@NullMarked
package prantel.core.scheme;

import org.jspecify.annotations.NullMarked;
