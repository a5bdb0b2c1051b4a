package prantel.core.expectation;

import prantel.core.network.BranchId;
import prantel.core.network.Port;

/** A line or neutral on its way through a device. */
record Pole(BranchId branch, Port ends, double siemens) {}
