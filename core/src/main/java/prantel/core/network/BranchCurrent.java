package prantel.core.network;

/** What flows in a branch. @param amps A, above 0 from its FROM to its TO */
public record BranchCurrent(Branch branch, double amps) {}
