package prantel.core.rig;

import java.util.List;
import java.util.function.Supplier;
import prantel.core.network.Network;

/** A rig as a network that knows what each branch is made of, so that it can be varied without compiling again. */
public final class CompiledRig {
    private final Network declared;
    private final List<Make> makes;

    CompiledRig(Network declared, List<Make> makes) {
        this.declared = declared;
        this.makes = makes;
    }

    /** A rig as built, every branch in its own way. @param each asked once for each branch */
    public Network network(Supplier<Variation> each) {
        return declared.withOhms(
                makes.stream().mapToDouble(m -> m.ohms(each.get())).toArray());
    }

    /** The rig as it may be built. Terminals and branches are the same for every variation. */
    public Network network(Variation variation) {
        return variation.equals(Variation.NONE)
                ? declared
                : declared.withOhms(
                        makes.stream().mapToDouble(m -> m.ohms(variation)).toArray());
    }
}
