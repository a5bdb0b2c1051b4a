package prantel.server.setting;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Change;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.FaultEffect;
import prantel.core.expectation.FaultEffect.CheckReading;
import prantel.core.expectation.Key;
import prantel.core.fault.SafetyClass;
import prantel.core.rig.Rig;
import prantel.server.assessment.Assessment;
import prantel.server.picture.Pictures;
import prantel.server.picture.Windows;

/** All that Set shows. `preview` holds what depends on the faults; the rest does not change while they are chosen. */
record SetView(
        String assessmentId,
        int basedOn,
        boolean sheetOpen,
        @Nullable OffsetDateTime lockedOffAt,
        List<Pictures.CircuitLine> circuits,
        List<BondLine> bonds,
        List<PlaceChoice> places,
        List<KindChoice> kinds,
        Preview preview,
        List<Check> checks,
        boolean mayOpen,
        String whyNotOpen) {

    record BondLine(String id, String part) {}

    /** What a set of faults does. */
    record Preview(
            List<FaultLine> faults,
            List<ChangeLine> changes,
            int hidden,
            int readings,
            List<Pictures.ProfileCurve> profiles) {}

    record FaultLine(
            FaultInput fault,
            String title,
            String place,
            String visibility,
            String firstSeen,
            boolean deadOnly,
            String instruction,
            String symptom) {}

    /** @param timesTolerance null where it goes from a number to over-range */
    record ChangeLine(
            String slot,
            String test,
            String quantity,
            String where,
            String healthy,
            String withSet,
            @Nullable Double timesTolerance,
            String visibility) {}

    /** A reading that proves a fault set. `result` is empty until one was entered. */
    record Check(
            String slot,
            String what,
            String unit,
            String window,
            String faults,
            String text,
            String result,
            String says) {}

    static SetView of(Assessment assessment, Key key) {
        Rig rig = key.rig();
        List<FaultEffect> effects = FaultEffect.of(key);
        List<Check> checks = checks(effects, assessment.checks(), rig);
        String whyNot = whyNotOpen(assessment, effects, checks);
        return new SetView(
                assessment.id(),
                assessment.faultsSeq(),
                assessment.openedAt() != null,
                assessment.lockedOffAt(),
                Pictures.circuits(rig),
                rig.bonds().stream()
                        .map(b -> new BondLine(b.id().value(), b.part()))
                        .toList(),
                PlaceChoice.of(rig),
                prantel.core.fault.FaultCatalogue.kinds().stream()
                        .map(KindChoice::of)
                        .toList(),
                preview(key, effects),
                checks,
                whyNot.isEmpty(),
                whyNot);
    }

    static Preview preview(Key key) {
        return preview(key, FaultEffect.of(key));
    }

    private static Preview preview(Key key, List<FaultEffect> effects) {
        List<ChangeLine> changes = new ArrayList<>();
        int hidden = 0;
        for (Expectation e : key.expectations()) {
            Change change = e.change();
            if (change.visibility() != Change.Visibility.HIDDEN) {
                changes.add(new ChangeLine(
                        e.slot().id().value(),
                        e.slot().step().label(),
                        e.slot().quantity(),
                        e.slot().place(key.rig()),
                        e.healthy().shown(),
                        e.withFaults().shown(),
                        Pictures.finite(change.timesTolerance()),
                        word(change.visibility())));
            } else if (change.timesTolerance() > 0) {
                hidden++;
            }
        }
        return new Preview(
                effects.stream().map(e -> faultLine(e, key.rig())).toList(),
                changes,
                hidden,
                key.expectations().size(),
                Pictures.profiles(key, "R1+R2"));
    }

    private static FaultLine faultLine(FaultEffect effect, Rig rig) {
        return new FaultLine(
                FaultInput.of(effect.fault()),
                effect.fault().title(),
                effect.fault().place().label(rig),
                word(effect.visibility()),
                effect.firstSeen().map(e -> e.slot().title(rig)).orElse("no reading of this sequence shows it"),
                effect.fault().safety(rig) == SafetyClass.DEAD_ONLY,
                effect.fault().kind().instruction(effect.fault(), rig),
                effect.fault().kind().symptom());
    }

    private static List<Check> checks(List<FaultEffect> effects, Map<String, String> taken, Rig rig) {
        List<Check> checks = new ArrayList<>();
        for (FaultEffect effect : effects) {
            if (effect.check().isPresent()) {
                CheckReading check = effect.check().get();
                Expectation set = check.set();
                String text = taken.getOrDefault(set.slot().id().value(), "");
                FaultEffect.Result result = check.of(text);
                checks.add(new Check(
                        set.slot().id().value(),
                        set.slot().title(rig),
                        set.slot().boxUnit().symbol(),
                        Windows.of(set),
                        effect.fault().title() + ", " + effect.fault().place().label(rig),
                        text,
                        text.isEmpty()
                                ? ""
                                : result.name().toLowerCase(Locale.ROOT).replace('_', '-'),
                        text.isEmpty() ? "" : says(result, check)));
            }
        }
        return checks;
    }

    private static String says(FaultEffect.Result result, CheckReading check) {
        return switch (result) {
            case FITS -> "fits: this fault is set";
            case NOT_SET ->
                "reads as if it were not set: without it this gives "
                        + check.notSet().withFaults().shown();
            case NEITHER -> "fits neither: another fault, a fault left on, or another way of measuring";
            case UNREADABLE ->
                "cannot be read; write it like " + check.set().withFaults().shown();
        };
    }

    private static String whyNotOpen(Assessment assessment, List<FaultEffect> effects, List<Check> checks) {
        if (assessment.openedAt() != null) {
            return "The candidate's sheet is open.";
        }
        if (assessment.lockedOffAt() == null) {
            return "Confirm that the rig is locked off first.";
        }
        if (effects.stream().anyMatch(e -> e.check().isEmpty())) {
            return "One of the faults cannot be found by any reading: change it or take it out.";
        }
        long open = checks.stream().filter(c -> !c.result().equals("fits")).count();
        return open == 0 ? "" : "Prove it is set: " + open + " check reading" + (open == 1 ? "" : "s") + " to go.";
    }

    private static String word(Change.Visibility visibility) {
        return visibility.name().toLowerCase(Locale.ROOT);
    }
}
