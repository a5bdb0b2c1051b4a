package prantel.server.setting;

import java.util.List;

/**
 * A plan for a class as it is shown.
 *
 * @param sessions in order of time; what stands in one runs at the same time
 */
record ClassPlanView(List<PlannedSession> sessions, List<PlannedPerson> people) {

    record PlannedSession(int number, List<PlannedSitting> sittings) {}

    /** @param setName under which the set is kept in the library, after the name of the class */
    record PlannedSitting(int bay, String rig, String person, String setName, List<String> faults, double difficulty) {}

    /** @param difficulty mean of the person's sittings */
    record PlannedPerson(String name, double difficulty) {}
}
