package prantel.server.workshop;

import org.jspecify.annotations.Nullable;

/** A bay and the rig on its wall. @param faultBox host:port of its fault box; null for none @param benchTester the same of its tester @param retired not in use any more; its records stay */
public record Bay(
        String bayId,
        int number,
        String rigId,
        int rigVersion,
        @Nullable String faultBox,
        @Nullable String benchTester,
        boolean retired) {}
