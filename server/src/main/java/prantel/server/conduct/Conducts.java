package prantel.server.conduct;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Conduct;
import prantel.core.assessment.StageClock;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Ring;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.conduct.ConductView.Other;
import prantel.server.web.Refusal;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;

/** What is known of the conduct of an assessment, and carrying one on in another bay. */
@Service
public class Conducts {
    private final Assessments assessments;
    private final Keys keys;
    private final Accounts accounts;
    private final Workshop workshop;
    private final Ticks ticks;
    private final Clock clock;

    Conducts(Assessments assessments, Keys keys, Accounts accounts, Workshop workshop, Ticks ticks, Clock clock) {
        this.assessments = assessments;
        this.keys = keys;
        this.accounts = accounts;
        this.workshop = workshop;
        this.ticks = ticks;
        this.clock = clock;
    }

    public StageClock clock(Assessment assessment) {
        return StageClock.of(assessment, keys.scheme(assessment).about().times(), OffsetDateTime.now(clock));
    }

    /** @param who asks */
    public ConductView view(Assessment assessment, String who) {
        Conduct conduct = assessment.conduct();
        Set<CircuitId> tested = keys.circuits(assessment);
        Conduct.BrokenOff broken = conduct.brokenOff();
        Conduct.Continued from = conduct.continued();
        return new ConductView(
                new ConductView.Watching(
                        accounts.nameOf(conduct.assessor()),
                        conduct.assessor().equals(who),
                        keys.tester(assessment).label()),
                new ConductView.TimeGranted(
                        ConductView.ClockView.of(clock(assessment)),
                        conduct.pauses().stream()
                                .map(p -> new ConductView.PauseLine(
                                        p.why(),
                                        p.why().words(),
                                        p.what(),
                                        accounts.nameOf(p.by()),
                                        p.from(),
                                        p.to().orElse(null),
                                        p.outcome()))
                                .toList(),
                        conduct.adjustment().timeFactor(),
                        conduct.adjustment().given()),
                new ConductView.WorkAgreed(
                        keys.rig(assessment).circuits().stream()
                                .map(c -> new ConductView.TestedCircuit(
                                        c.id().value(),
                                        c.label(),
                                        c instanceof Ring,
                                        tested.isEmpty() || tested.contains(c.id())))
                                .toList(),
                        Arrays.stream(Checklist.values())
                                .map(list -> ticks.list(assessment, list))
                                .toList()),
                new ConductView.WhereItWent(
                        broken == null
                                ? null
                                : new ConductView.EndedLine(
                                        broken.reason(),
                                        broken.continuedAs(),
                                        accounts.nameOf(broken.by()),
                                        broken.at()),
                        from == null ? null : from.from()),
                new ConductView.ConductChoices(
                        accounts.who(Role::mayAssess).stream()
                                .filter(a -> !a.accountId().equals(conduct.assessor()))
                                .map(a -> new Other(a.accountId(), a.name()))
                                .toList(),
                        workshop.testers().stream()
                                .filter(t -> !t.id().equals(conduct.tester().id()))
                                .map(t -> new Other(t.id(), workshop.tester(t).label()))
                                .toList(),
                        freeBays(assessment)));
    }

    private List<Other> freeBays(Assessment assessment) {
        return workshop.bays().stream()
                .filter(b -> !b.bayId().equals(assessment.fixed().bayId()))
                .filter(b -> assessments.inBay(b.bayId()).isEmpty())
                .map(b -> new Other(
                        b.bayId(),
                        "Bay " + b.number() + ", " + workshop.rigOf(b).name()))
                .toList();
    }

    /**
     * The same candidate, scheme and instrument in another bay, with what was seen, answered and granted, and the time that
     * was used; this one ends without a judgement. Readings stay where they were taken: they are of this rig.
     *
     * @return the assessment that carries on
     */
    @Transactional
    public Assessment carryOn(String id, String eventId, String bayId, String reason, String who) {
        Assessment old = assessments.get(id);
        Conduct.BrokenOff already = old.conduct().brokenOff();
        if (already != null && already.continuedAs() != null) {
            return assessments.get(already.continuedAs());
        }
        StageClock used = clock(old);
        DocumentRef tester = new DocumentRef(
                old.conduct().tester().id(), old.conduct().tester().version());
        Assessment next = assessments.prepare(
                bayId,
                old.fixed().candidateId(),
                tester.id(),
                keys.wholeScheme(old),
                old.conduct().assessor());
        int number = 0;
        write(
                next,
                eventId + "-c" + number++,
                new AssessmentEvent.Continued(
                        id, used.dead().gone().toSeconds(), used.live().gone().toSeconds()),
                who);
        if (!old.conduct().adjustment().equals(Conduct.Adjustment.NONE)) {
            write(
                    next,
                    eventId + "-c" + number++,
                    new AssessmentEvent.Adjusted(
                            old.conduct().adjustment().timeFactor(),
                            old.conduct().adjustment().given()),
                    who);
        }
        for (Map.Entry<String, Assessment.Seen> seen : old.observations().entrySet()) {
            Sight sight = seen.getValue().right() ? Sight.RIGHT : Sight.SLIP;
            write(
                    next,
                    eventId + "-c" + number++,
                    new AssessmentEvent.Observed(
                            seen.getKey(), sight, seen.getValue().slip()),
                    seen.getValue().by());
        }
        for (Map.Entry<String, Assessment.Answered> asked : old.questions().entrySet()) {
            write(
                    next,
                    eventId + "-c" + number++,
                    new AssessmentEvent.Asked(asked.getKey(), asked.getValue().points()),
                    asked.getValue().by());
        }
        assessments.append(id, eventId, new AssessmentEvent.BrokenOff(reason, next.id()), who);
        return assessments.get(next.id());
    }

    private void write(Assessment to, String eventId, AssessmentEvent event, String by) {
        assessments.append(to.id(), eventId, event, by);
    }

    /** @throws Refusal if a person cannot watch */
    void mustBeAbleToWatch(String person) {
        if (accounts.get(person).roles().stream().noneMatch(Role::mayAssess)) {
            throw Refusal.conflict("no-assessor", "choose an assessor of this workshop");
        }
    }
}
