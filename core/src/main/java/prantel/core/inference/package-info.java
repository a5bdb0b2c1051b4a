/**
 * Why a record reads as it does. One model of the whole record: readings that share leads or a cable share their error, so
 * what is left of an honest one is a digit or two; every kind of cause at every place is held against it, and the one that
 * makes the record likeliest is told, then the next. In: a {@link prantel.core.expectation.Key} and the sheet as written.
 * Out: ranked {@link prantel.core.inference.Explanation}s. States evidence, never a verdict. A new cause is a line in {@link
 * prantel.core.inference.Cause} and what it predicts, in one of the classes named Worlds.
 */
@NullMarked
package prantel.core.inference;

import org.jspecify.annotations.NullMarked;
