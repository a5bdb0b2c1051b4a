/**
 * Faults an assessor sets: what they are called, where they fit, the edits they make, how they are set by hand, how
 * dangerous they are, which answers are right. A new kind is one class in this package and one line in {@link
 * prantel.core.fault.FaultCatalogue}. Read first {@link prantel.core.fault.Fault}, then {@link
 * prantel.core.fault.FaultKind}.
 */
@NullMarked
package prantel.core.fault;

import org.jspecify.annotations.NullMarked;
