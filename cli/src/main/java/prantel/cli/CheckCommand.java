package prantel.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import prantel.core.expectation.Key;
import prantel.core.instrument.Tester;
import prantel.core.practice.Drill;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.scheme.Scheme;
import prantel.core.survey.OrderSurvey;
import prantel.core.survey.RigSurvey;
import prantel.core.survey.SchemeSurvey;
import prantel.formats.DrillFile;
import prantel.formats.FileKind;
import prantel.formats.RecordFile;
import prantel.formats.SchemeFile;
import prantel.formats.TesterFile;

/** Checks files and says that they are sound, or everything that is not. */
@Command(
        name = "check",
        description =
                "Check a rig and the files that go with it; or a scheme, a tester, a drill or a record alone. - reads standard input.",
        mixinStandardHelpOptions = true)
final class CheckCommand implements Runnable {
    @Mixin
    private final Inputs inputs = new Inputs();

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        byte[] file = Inputs.bytes(inputs.rig);
        // what says nothing of itself is meant to be a rig, and told what a rig needs
        switch (FileKind.of(file).orElse(FileKind.RIG)) {
            case SCHEME -> {
                Scheme scheme = Inputs.of(inputs.rig, file, SchemeFile::read);
                say(scheme(scheme));
                OrderSurvey.of(scheme).forEach(p -> say("  △ " + p));
            }
            case TESTER -> say(tester(Inputs.of(inputs.rig, file, TesterFile::read)));
            case RECORD -> say(record(Inputs.of(inputs.rig, file, RecordFile::verify)));
            case DRILL -> {
                Drill drill = Inputs.of(inputs.rig, file, DrillFile::read);
                say(drill.title() + " is sound: " + Words.count(drill.faults().size(), "kind") + " of fault.");
            }
            case FAULTS ->
                throw new ProblemsException(new Problem(
                        "needs-a-rig",
                        inputs.rig.toString(),
                        "a set of faults",
                        "faults are checked on their rig: check RIG --faults " + inputs.rig));
            case RIG -> rig(inputs.key());
        }
    }

    private void say(String line) {
        spec.commandLine().getOut().println(line);
    }

    private static String scheme(Scheme scheme) {
        return scheme.name() + " is sound: " + Words.count(scheme.steps().size(), "step") + ", "
                + Words.count(scheme.tests().size(), "test") + ", "
                + Words.count(scheme.observations().size(), "observation") + ", "
                + Words.count(scheme.questions().size(), "question") + ", "
                + scheme.criteria().size() + " criteria.";
    }

    private static String tester(Tester tester) {
        return tester.label() + " is sound: insulation "
                + tester.insulationTester().overRange().shown() + ", leads "
                + Check.plain(tester.leads().pairOhms()) + " Ω"
                + tester.calibrationDue().map(d -> ", in date until " + d).orElse("") + ".";
    }

    private static String record(RecordFile.Content content) {
        return "The record of assessment " + content.pinned().assessmentId() + " fits itself: "
                + Words.count(content.events().size(), "event") + ".";
    }

    private void rig(Key key) {
        say(key.rig().name() + " is sound: " + Words.count(key.rig().circuits().size(), "circuit") + ", "
                + Words.count(key.rig().bonds().size(), "bond") + ", "
                + Words.count(key.expectations().size(), "box") + ", "
                + Words.count(key.faults().faults().size(), "fault") + ".");
        RigSurvey.of(key).forEach(w -> say("  △ " + w.says() + " (" + w.source() + ")"));
        if (inputs.scheme != null) {
            SchemeSurvey.of(key.scheme(), key.rig())
                    .forEach(p -> say("  △ " + key.scheme().id() + ", " + p));
        }
    }
}
