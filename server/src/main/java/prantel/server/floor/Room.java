package prantel.server.floor;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Drift;
import prantel.core.instrument.Tester;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.workshop.AsBuiltReadings;
import prantel.server.workshop.Bay;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;

/**
 * What the Floor looks up for all its bays together, once for a call: asked bay by bay, ninety-nine bays would be five hundred
 * queries every few seconds.
 *
 * @param bays that are in use
 * @param open by the bay that each has, and those that have none
 * @param asked records that whoever looks was asked to mark alone
 * @param names of the people in these
 * @param cleared bays where a rig was proved healthy at least once
 * @param drifts by the rig: how many healthy readings lie beyond tolerance
 */
record Room(
        List<Bay> bays,
        List<Assessment> open,
        Map<String, Assessment> inBay,
        List<Assessment> asked,
        Map<String, String> names,
        Set<String> cleared,
        Map<DocumentRef, Integer> drifts) {

    Optional<Assessment> here(Bay bay) {
        return Optional.ofNullable(inBay.get(bay.bayId()));
    }

    /** A person's name; their id where nobody is called so any more. */
    String name(String person) {
        return names.getOrDefault(person, person);
    }

    Optional<Bay> bay(String id) {
        return bays.stream().filter(b -> b.bayId().equals(id)).findFirst();
    }

    int drifts(Bay bay) {
        return drifts.getOrDefault(new DocumentRef(bay.rigId(), bay.rigVersion()), 0);
    }

    /** Makes rooms. */
    @Component
    static class Look {
        private final Workshop workshop;
        private final Assessments assessments;
        private final Accounts accounts;
        private final AsBuiltReadings asBuilt;

        Look(Workshop workshop, Assessments assessments, Accounts accounts, AsBuiltReadings asBuilt) {
            this.workshop = workshop;
            this.assessments = assessments;
            this.accounts = accounts;
            this.asBuilt = asBuilt;
        }

        /** @param viewer who looks */
        Room now(String viewer) {
            List<Bay> bays = workshop.bays();
            List<Assessment> open = assessments.open();
            Map<String, Assessment> inBay = new HashMap<>();
            open.stream()
                    .filter(Assessment::occupiesBay)
                    .forEach(a -> inBay.putIfAbsent(a.fixed().bayId(), a));
            List<Assessment> asked = assessments.opinionsAskedOf(viewer);
            return new Room(
                    bays,
                    open,
                    inBay,
                    asked,
                    accounts.namesOf(people(open, asked)),
                    assessments.everCleared(),
                    drifts(bays));
        }

        private static Set<String> people(List<Assessment> open, List<Assessment> asked) {
            Set<String> people = new HashSet<>();
            Stream.concat(open.stream(), asked.stream()).forEach(a -> {
                people.add(a.fixed().candidateId());
                people.add(a.conduct().assessor());
                a.opinions().of().values().forEach(o -> people.add(o.askedBy()));
            });
            return people;
        }

        private Map<DocumentRef, Integer> drifts(List<Bay> bays) {
            List<DocumentRef> testers = workshop.testers();
            if (testers.isEmpty()) {
                return Map.of();
            }
            Tester tester = Objects.requireNonNull(workshop.tester(testers.getFirst()));
            return bays.stream()
                    .map(b -> new DocumentRef(b.rigId(), b.rigVersion()))
                    .distinct()
                    .collect(Collectors.toMap(rig -> rig, rig -> (int) asBuilt.drifts(rig, tester).stream()
                            .filter(Drift::isBeyond)
                            .count()));
        }
    }
}
