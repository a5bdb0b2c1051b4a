package prantel.core.fault;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Relay;
import prantel.core.rig.Rig;

/** Which faults the fault box of a rig can set, and by which relay. */
public final class FaultBox {
    private final Map<Integer, Fault> byRelay;

    private FaultBox(Map<Integer, Fault> byRelay) {
        this.byRelay = byRelay;
    }

    /** @throws ProblemsException with every relay whose fault does not fit the rig, at "faultBox/index/field" */
    public static FaultBox of(Rig rig) {
        Map<Integer, Fault> byRelay = new LinkedHashMap<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < rig.relays().size(); i++) {
            String where = "faultBox/" + i;
            try {
                Fault fault = fault(rig.relays().get(i), rig);
                fault.checkOn(rig);
                Check.that(
                        !fault.kind().isOnlySeen(),
                        "does-not-fit",
                        "kind",
                        fault.kind().id(),
                        "no relay makes what only the eye finds; set it by hand");
                byRelay.put(rig.relays().get(i).number(), fault);
            } catch (ProblemsException e) {
                e.problems().forEach(p -> problems.add(p.at(where + "/" + field(p.where()))));
            }
        }
        ProblemsException.throwIfAny(problems);
        return new FaultBox(byRelay);
    }

    /** A relay has one field for the size of every kind. */
    private static String field(String ofFault) {
        boolean isSize = FaultCatalogue.kinds().stream()
                .anyMatch(k ->
                        k.magnitude().filter(m -> m.fieldName().equals(ofFault)).isPresent());
        return isSize ? "size" : ofFault;
    }

    private static Fault fault(Relay relay, Rig rig) {
        FaultKind kind = FaultCatalogue.kind(relay.kind());
        List<Conductor> conductors =
                relay.conductors().isEmpty() && kind.conductorChoices().size() == 1
                        ? kind.conductorChoices().getFirst()
                        : relay.conductors();
        return new Fault(
                kind,
                Place.parse(relay.at(), rig),
                conductors,
                kind.magnitude().map(m -> m.unit().toBase(relay.size())).orElse(0.0),
                relay.to().isEmpty() ? Optional.empty() : Optional.of(Place.parse(relay.to(), rig)));
    }

    /** The relay that sets exactly this fault, size too; empty where it is set by hand. */
    public Optional<Integer> relayFor(Fault fault) {
        return byRelay.entrySet().stream()
                .filter(e ->
                        e.getValue().isSameBut(fault) && Check.same(e.getValue().size(), fault.size()))
                .map(Map.Entry::getKey)
                .findFirst();
    }

    /** The fault behind a relay; empty for one that nothing is wired to. */
    public Optional<Fault> faultOf(int relay) {
        return Optional.ofNullable(byRelay.get(relay));
    }

    /** In the order of the rig file. */
    public List<Fault> faults() {
        return List.copyOf(byRelay.values());
    }

    public boolean isEmpty() {
        return byRelay.isEmpty();
    }

    /** Whether somebody sets it by hand. */
    public boolean isByHand(Fault fault) {
        return relayFor(fault).isEmpty() && canSet(fault);
    }

    /** Kinds that can be set on the real rig at some place: what is never wired by hand only where a relay makes it. */
    public List<FaultKind> kinds() {
        return FaultCatalogue.kinds().stream()
                .filter(k -> !k.isOnlyByRelay() || byRelay.values().stream().anyMatch(f -> f.kind() == k))
                .toList();
    }

    /** Whether it can be set on the real rig: by hand, or by its relay when it must never be wired by hand. */
    public boolean canSet(Fault fault) {
        return fault.safety() != SafetyClass.EMULATED || relayFor(fault).isPresent();
    }
}
