package prantel.server.sheet;

import java.security.Principal;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Assessment.Entry;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Pinned;
import prantel.core.instrument.Tester;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.BoxWords;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** Paper days: a blank sheet to print, and the sheet that came back, entered by an assessor in the order it was written. */
@RestController
@RequestMapping("/api")
class PaperController {
    private static final int LONGEST_TEXT = 160;

    private final Assessments assessments;
    private final Keys keys;
    private final Workshop workshop;
    private final Schemes schemes;
    private final Accounts accounts;
    private final Clock clock;

    PaperController(
            Assessments assessments, Keys keys, Workshop workshop, Schemes schemes, Accounts accounts, Clock clock) {
        this.assessments = assessments;
        this.keys = keys;
        this.workshop = workshop;
        this.schemes = schemes;
        this.accounts = accounts;
        this.clock = clock;
    }

    record PaperView(String rig, String scheme, String candidate, boolean open, List<SheetView.Step> steps) {}

    /** @param satisfactory null where it is not judged, or left open */
    record PaperEntry(
            String eventId,
            String slot,
            String text,
            @Nullable Boolean satisfactory) {}

    /** A box as it stands now. */
    record Entered(SheetView.Box box) {}

    /** The empty sheet of a rig by a scheme, as it is printed. */
    @GetMapping("/rigs/{id}/paper")
    PaperView blank(@PathVariable String id, @RequestParam String scheme) {
        DocumentRef ref = workshop.rigs().stream()
                .filter(r -> r.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(
                        new Problem("unknown-rig", "rig", Check.quoted(id), "choose a rig of this workshop")));
        Scheme theScheme = schemes.newest(scheme);
        Rig rig = workshop.rig(ref);
        List<DocumentRef> testers = workshop.testers();
        Tester tester = testers.isEmpty() ? Tester.usual() : workshop.tester(testers.getFirst());
        Pinned.Document rigDocument = new Pinned.Document(ref.id(), ref.version());
        Assessment nobody = Assessment.replay(
                new Pinned(
                        "blank",
                        "",
                        "",
                        "",
                        new Pinned.Versions(
                                rigDocument,
                                new Pinned.Document(tester.id(), 1),
                                new Pinned.Document(theScheme.id(), theScheme.version()),
                                0),
                        OffsetDateTime.now(clock)),
                List.of());
        return new PaperView(
                rig.name(),
                theScheme.name(),
                "",
                false,
                SheetView.steps(nobody, rig, theScheme, SlotPlan.sheet(rig, theScheme), tester));
    }

    @GetMapping("/assessments/{id}/paper")
    PaperView paper(@PathVariable String id) {
        Assessment a = assessments.get(id);
        return new PaperView(
                keys.rig(a).name(),
                keys.scheme(a).name(),
                accounts.nameOf(a.fixed().candidateId()),
                a.isSheetOpen(),
                SheetView.everyBox(a, keys.rig(a), keys.scheme(a), keys.sheet(a), keys.tester(a)));
    }

    /** A line of the paper: its reading and its judgement, kept together. The record says who entered it. */
    @PutMapping("/assessments/{id}/paper")
    @Transactional
    Entered enter(@PathVariable String id, @RequestBody PaperEntry entry, Principal who) {
        Assessment before = assessments.get(id);
        Slot slot = keys.sheet(before).stream()
                .filter(s -> s.id().value().equals(entry.slot()))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-slot", "slot", Check.quoted(entry.slot()), "reload; the sheet has no such box")));
        Check.text(entry.text(), LONGEST_TEXT, "text");
        Entry<String> was = before.readings().get(entry.slot());
        String old = was == null ? "" : was.value();
        assessments.append(
                id,
                entry.eventId(),
                new AssessmentEvent.ReadingWritten(entry.slot(), entry.text().strip(), old),
                who.getName());
        Entry<@Nullable Boolean> judged = before.judgements().get(entry.slot());
        Boolean said = judged == null ? null : judged.value();
        if (slot.limit().isPresent() && !Objects.equals(said, entry.satisfactory())) {
            assessments.append(
                    id,
                    entry.eventId() + "-j",
                    new AssessmentEvent.BoxJudged(entry.slot(), entry.satisfactory(), said),
                    who.getName());
        }
        Assessment now = assessments.get(id);
        return new Entered(SheetView.box(
                slot,
                List.of(),
                new BoxWords(keys.rig(now), keys.scheme(now)),
                keys.scheme(now),
                now,
                keys.tester(now)));
    }

    record PaperIn(String eventId) {}

    /** All of it is entered: the sheet goes to be marked. */
    @PutMapping("/assessments/{id}/paper/hand-in")
    PaperView handIn(@PathVariable String id, @RequestBody PaperIn in, Principal who) {
        assessments.append(id, in.eventId(), new AssessmentEvent.HandedIn(), who.getName());
        return paper(id);
    }
}
