/**
 * The practice rig: any deed in any order, with its true consequence. A {@link prantel.core.practice.Moment} is a value;
 * {@link prantel.core.practice.PracticeRig} says what a deed makes of it, {@link prantel.core.practice.Guide} what comes next
 * towards a reading, {@link prantel.core.practice.Coach} what was wrong.
 */
@NullMarked
package prantel.core.practice;

import org.jspecify.annotations.NullMarked;
