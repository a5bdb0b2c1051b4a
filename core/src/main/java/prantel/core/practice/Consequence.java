package prantel.core.practice;

import java.util.List;
import prantel.core.expectation.Opened;
import prantel.core.fault.FaultKind;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Saying;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.rig.BondId;

/** What a deed led to besides what was meant, with the numbers that made it so. {@link PracticeWords} tells it. */
public sealed interface Consequence {
    /** A device opened by itself. */
    record Tripped(Opened device, During during) implements Consequence {}

    /** What was going on when it did. */
    enum During {
        /** Something was switched, joined or put on. */
        DEED,
        TEST,
        /** Its own test button. */
        BUTTON
    }

    /** The tester found voltage and will not test. */
    record Refused(double volts) implements Consequence {}

    /** The ohmmeter's fuse went. */
    record FuseGone(double volts) implements Consequence {}

    /** Somebody took hold of it. */
    record Shock(Contact at, double volts) implements Consequence {}

    /** Metal that anybody can touch became live, the worst first. */
    record MetalLive(List<Contact> at, double volts) implements Consequence {
        public MetalLive {
            at = List.copyOf(at);
        }
    }

    /** Electronics took a test voltage. */
    record Spoilt(Deed.LoadIn load, double volts) implements Consequence {}

    /** A load got far more than its voltage, and burnt out. @param volts across it, V @param meant what it is made for, V */
    record Overvolted(Deed.LoadIn load, double volts, double meant) implements Consequence {}

    /** A bond is off while circuits are live. */
    record Unbonded(List<BondId> bonds) implements Consequence {
        public Unbonded {
            bonds = List.copyOf(bonds);
        }
    }

    /** Shorted before anything on the rig that could open. */
    record SupplyLost() implements Consequence {}

    /** It was to be proved dead and is not. */
    record NotDead(Contact a, Contact b, double volts) implements Consequence {}

    /** Looked at: what the box comes to, and what is to be seen there. */
    record Looked(Saying saying, List<FaultKind> seen) implements Consequence {
        public Looked {
            seen = List.copyOf(seen);
        }
    }

    /** The display does not stand still: a connection in its path is bad. */
    record Unsteady(Reading low, Reading high) implements Consequence {}

    /** Live parts are open to fingers. */
    record LiveOpen(Cover cover) implements Consequence {}

    /** Whether somebody may be hurt by it. */
    default boolean isDangerous() {
        return switch (this) {
            case Shock shock -> true;
            case MetalLive metal -> true;
            case NotDead notDead -> true;
            case SupplyLost lost -> true;
            case Tripped tripped -> false;
            case Refused refused -> true;
            case FuseGone gone -> true;
            case Spoilt spoilt -> false;
            case Overvolted overvolted -> true;
            case Unbonded unbonded -> true;
            case LiveOpen open -> false;
            case Looked looked -> false;
            case Unsteady unsteady -> false;
        };
    }
}
