package prantel.server.setting;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Change;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.FaultEffect;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.rig.Rig;
import prantel.core.safety.SafetyCheck;
import prantel.server.picture.Pictures;
import prantel.server.picture.RigDrawing;

/** All that Set shows. `preview` holds what depends on the faults; the rest does not change while they are chosen. */
record SetView(
        @JsonUnwrapped SetStanding standing, @JsonUnwrapped SetChoices choices, Preview preview) {

    /** Which assessment, how far it is. */
    record SetStanding(
            String assessmentId,
            String rigId,
            int basedOn,
            boolean sheetOpen,
            @Nullable OffsetDateTime lockedOffAt,
            @Nullable String fromLibrary) {}

    /** What can be set where. */
    record SetChoices(RigDrawing drawing, List<PlaceChoice> places, List<KindChoice> kinds) {}

    /** What a set of faults does. */
    record Preview(
            List<FaultLine> faults,
            List<TestChanges> tests,
            int changed,
            int hidden,
            int readings,
            SafetyView safety,
            List<Pictures.ProfileCurve> profiles) {}

    /** @param others second places to choose from, by id */
    record FaultLine(
            @JsonUnwrapped FaultShown of,
            @JsonUnwrapped FaultEffectShown effect,
            @JsonUnwrapped FaultHow how) {}

    /** Which fault. */
    record FaultShown(FaultInput fault, String title, String place, String symptom) {}

    /** Where it shows, how unsafe it is. */
    record FaultEffectShown(String visibility, String firstSeen, String safety, String severity) {}

    /**
     * How it is set.
     *
     * @param how "box" with its relay, "hand", or "nothing" when this rig has no way to set it
     */
    record FaultHow(String how, int relay, String instruction) {}

    record TestChanges(String test, List<ChangeLine> changes) {}

    record ChangeLine(
            @JsonUnwrapped ChangePlace of, @JsonUnwrapped ChangeSize change) {}

    /** Which box. */
    record ChangePlace(String slot, String quantity, String where) {}

    /**
     * How far it is moved.
     *
     * @param timesTolerance null where it goes from a number to over-range, or fails by its limit
     */
    record ChangeSize(
            String healthy, String withSet, @Nullable Double timesTolerance, String visibility, boolean byLimit) {}

    record SafetyView(boolean mayGoLive, String strictest, List<DangerLine> dangers) {}

    record DangerLine(String kind, String finding) {}

    static SetView of(Assessment assessment, Key key) {
        Rig rig = key.rig();
        return new SetView(
                new SetStanding(
                        assessment.id(),
                        rig.id(),
                        assessment.faultsSeq(),
                        assessment.openedAt() != null,
                        assessment.lockedOffAt(),
                        assessment.fromLibrary()),
                new SetChoices(
                        RigDrawing.of(rig),
                        PlaceChoice.of(rig),
                        FaultBox.of(rig).kinds().stream().map(KindChoice::of).toList()),
                preview(key));
    }

    static Preview preview(Key key) {
        List<TestChanges> tests = new ArrayList<>();
        int hidden = 0;
        int changed = 0;
        for (Expectation e : key.expectations()) {
            if (e.visibility() != Change.Visibility.HIDDEN) {
                String test = e.slot().step().label();
                if (tests.isEmpty() || !tests.getLast().test().equals(test)) {
                    tests.add(new TestChanges(test, new ArrayList<>()));
                }
                tests.getLast().changes().add(change(e, key.rig()));
                changed++;
            } else if (e.change().timesTolerance() > 0) {
                hidden++;
            }
        }
        FaultBox box = FaultBox.of(key.rig());
        return new Preview(
                FaultEffect.of(key).stream()
                        .map(e -> faultLine(e, key.rig(), box))
                        .toList(),
                tests,
                changed,
                hidden,
                key.expectations().size(),
                safety(key),
                Pictures.profiles(key));
    }

    private static ChangeLine change(Expectation e, Rig rig) {
        return new ChangeLine(
                new ChangePlace(
                        e.slot().id().value(), e.slot().quantity(), e.slot().place(rig)),
                new ChangeSize(
                        e.healthy().shown(),
                        e.withFaults().shown(),
                        e.failsByItsLimit() ? null : Pictures.finite(e.change().timesTolerance()),
                        word(e.visibility()),
                        e.failsByItsLimit()));
    }

    private static SafetyView safety(Key key) {
        SafetyCheck.Report report = SafetyCheck.of(key.rig(), key.faults());
        return new SafetyView(
                report.mayGoLive(),
                report.strictest().words(),
                report.dangers().stream()
                        .map(d -> new DangerLine(d.kind().words(), d.finding()))
                        .toList());
    }

    private static FaultLine faultLine(FaultEffect effect, Rig rig, FaultBox box) {
        Fault fault = effect.fault();
        var relay = box.relayFor(fault);
        return new FaultLine(
                new FaultShown(
                        FaultInput.of(fault),
                        fault.title(),
                        fault.where(rig),
                        fault.kind().symptom()),
                new FaultEffectShown(
                        fault.kind().isSeen() ? "findable" : word(effect.visibility()),
                        fault.kind().isSeen()
                                ? "at inspection"
                                : effect.firstSeen()
                                        .map(e -> e.slot().title(rig))
                                        .orElse("no reading of this sequence shows it"),
                        fault.safety().words(),
                        fault.kind().severity() + ": " + fault.kind().severity().words() + ", "
                                + fault.kind().because()),
                new FaultHow(
                        relay.isPresent() ? "box" : box.canSet(fault) ? "hand" : "nothing",
                        relay.orElse(0),
                        fault.instruction(rig)));
    }

    static String word(Change.Visibility visibility) {
        return visibility.name().toLowerCase(Locale.ROOT);
    }
}
