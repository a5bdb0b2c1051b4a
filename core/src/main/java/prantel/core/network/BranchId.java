package prantel.core.network;

/** Names one branch of a network. Opaque here; whoever compiled the network knows what it stands for. */
public record BranchId(String id) {
    @Override
    public String toString() {
        return id;
    }
}
