package prantel.core.fault;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Stream;
import prantel.core.fault.Symptom.Shows;
import prantel.core.network.Edit;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/**
 * A kind of fault, described once: where it fits, the edits it makes, how it is set, what it does to the readings, how
 * dangerous it is and which answers are right. Stateless; {@link FaultCatalogue} has one of each.
 */
public final class FaultKind {
    private final String id;
    private final String title;
    private final FaultGroup group;
    private Where where = Where.POINT;
    private List<List<Conductor>> conductors = List.of(List.of());
    private Optional<Magnitude> magnitude = Optional.empty();
    private boolean sizeMayBeLeftOut;
    private BiFunction<Place, Rig, List<Place>> others = (place, rig) -> List.of();
    private boolean joinsTwo;
    private Function<Build, List<Edit>> edits = build -> List.of();
    private BiFunction<Fault, Rig, Rig> fitted = (fault, rig) -> rig;
    private BiFunction<Fault, ResidualDevice, ResidualDevice> altered = (fault, device) -> device;
    private SafetyClass safety = SafetyClass.DEAD_ONLY;
    private Severity severity = Severity.C2;
    private final Set<Severity> codes = EnumSet.noneOf(Severity.class);
    private String because = "";
    private BiFunction<Fault, Rig, String> caution = (fault, rig) -> "";
    private BiPredicate<Fault, Rig> worse = (fault, rig) -> true;
    private String whyNotWorse = "";
    private List<Double> otherSizes = List.of();
    private final Map<String, Predicate<Rig>> alikeWhere = new LinkedHashMap<>();
    private BiFunction<Fault, Rig, String> instruction = (fault, rig) -> "";
    private final List<Symptom> symptoms = new ArrayList<>();
    private String symptom = "";
    private String remedy = "";
    private final Set<String> equivalents = new LinkedHashSet<>();
    private BiFunction<Fault, Rig, List<Place>> accepted = (fault, rig) -> List.of(fault.place());

    private FaultKind(FaultGroup group, String id, String title) {
        this.group = group;
        this.id = id;
        this.title = title;
    }

    // how the catalogue's files describe a kind

    static FaultKind of(FaultGroup group, String id, String title) {
        return new FaultKind(group, id, title);
    }

    FaultKind at(Where places) {
        where = places;
        return this;
    }

    @SafeVarargs
    final FaultKind conductors(List<Conductor>... choices) {
        conductors = List.of(choices);
        return this;
    }

    FaultKind size(Magnitude size) {
        magnitude = Optional.of(size);
        return this;
    }

    /** As {@link #size}, and left out it is the usual one: sets from before it could be chosen stay as they were. */
    FaultKind sizeOrUsual(Magnitude size) {
        sizeMayBeLeftOut = true;
        return size(size);
    }

    /** Needs a second place out of these. */
    FaultKind with(BiFunction<Place, Rig, List<Place>> seconds) {
        others = seconds;
        joinsTwo = true;
        return this;
    }

    FaultKind edits(Function<Build, List<Edit>> how) {
        edits = how;
        return this;
    }

    FaultKind fits(BiFunction<Fault, Rig, Rig> other) {
        fitted = other;
        return this;
    }

    FaultKind alters(BiFunction<Fault, ResidualDevice, ResidualDevice> device) {
        altered = device;
        return this;
    }

    /** @param why the code on a condition report is this one, half a sentence */
    FaultKind is(SafetyClass theSafety, Severity theSeverity, String why) {
        safety = theSafety;
        severity = theSeverity;
        codes.add(theSeverity);
        because = why;
        return this;
    }

    /** Usual practice allows this code as well: which of the two depends on what is there. */
    FaultKind or(Severity other) {
        codes.add(other);
        return this;
    }

    /** What must be said before somebody sets it or works near it. */
    FaultKind caution(BiFunction<Fault, Rig, String> words) {
        caution = words;
        return this;
    }

    /**
     * Only sizes that make the rig worse are faults.
     *
     * @param sizes to take where the usual one does not, in the magnitude's unit, the best first
     */
    FaultKind onlyIf(BiPredicate<Fault, Rig> isWorse, String otherwise, Double... sizes) {
        worse = isWorse;
        whyNotWorse = otherwise;
        otherSizes = List.of(sizes);
        return this;
    }

    /** As good an answer on some rigs only. */
    FaultKind sameAsWhere(String kind, Predicate<Rig> rigs) {
        alikeWhere.put(kind, rigs);
        return this;
    }

    FaultKind set(BiFunction<Fault, Rig, String> how) {
        instruction = how;
        return this;
    }

    /** First call: the first test of the sequence that reveals it. */
    FaultKind shows(TestKind step, Shows how) {
        symptoms.add(Symptom.in(step, how));
        return this;
    }

    FaultKind seen() {
        symptoms.add(Symptom.SEEN);
        return this;
    }

    FaultKind symptom(String words) {
        symptom = words;
        return this;
    }

    FaultKind remedy(String words) {
        remedy = words;
        return this;
    }

    FaultKind sameAs(String... kinds) {
        equivalents.addAll(List.of(kinds));
        return this;
    }

    FaultKind accepts(BiFunction<Fault, Rig, List<Place>> places) {
        accepted = places;
        return this;
    }

    // what others ask

    /** The word used in files. */
    public String id() {
        return id;
    }

    /** The workshop's words. */
    public String title() {
        return title;
    }

    public FaultGroup group() {
        return group;
    }

    /** The workshop's words with the conductors, where there is a choice: "Low insulation, L–E". */
    public String titleWith(List<Conductor> chosen) {
        return conductors.size() > 1 ? title + ", " + Conductor.labelOf(chosen) : title;
    }

    /** Every choice of conductors it may have; a single entry leaves nothing to choose. Empty lists: none concerned. */
    public List<List<Conductor>> conductorChoices() {
        return conductors;
    }

    /** The size it takes, for kinds that have one. */
    public Optional<Magnitude> magnitude() {
        return magnitude;
    }

    /** Whether its size may be left out: it is the usual one then. */
    public boolean sizeMayBeLeftOut() {
        return sizeMayBeLeftOut;
    }

    /** @param given base unit, 0 where it was left out */
    double sizeGiven(double given) {
        return given == 0 && sizeMayBeLeftOut
                ? magnitude.map(m -> m.unit().toBase(m.usual())).orElse(0.0)
                : given;
    }

    /** Whether it can be set at this place of this rig. */
    public boolean fits(Place place, Rig rig) {
        return where.fits().test(place, rig)
                && (!joinsTwo || !others(place, rig).isEmpty())
                && sizeFor(place, rig).isPresent();
    }

    /** Where it can be set, for people: "a point of a circuit". */
    public String whereItFits() {
        return where.why().replaceFirst("^give ", "");
    }

    /** The second places it may have; empty for a kind that has none. */
    public List<Place> others(Place place, Rig rig) {
        return others.apply(place, rig);
    }

    /** Whether it needs a second place. */
    public boolean joinsTwo() {
        return joinsTwo;
    }

    List<Edit> edits(Build build) {
        return edits.apply(build);
    }

    Rig fitted(Fault fault, Rig rig) {
        return fitted.apply(fault, rig);
    }

    ResidualDevice altered(Fault fault, ResidualDevice device) {
        return altered.apply(fault, device);
    }

    public SafetyClass safety() {
        return safety;
    }

    /** A source box makes it, behind a relay; it is never wired by hand. */
    boolean isOnlyByRelay() {
        return safety == SafetyClass.EMULATED;
    }

    public Severity severity() {
        return severity;
    }

    /** Every code that usual practice allows for it, the gravest first. */
    public Set<Severity> codes() {
        return codes.isEmpty() ? EnumSet.of(severity) : EnumSet.copyOf(codes);
    }

    /** Why it has that code, half a sentence. Codes: usual practice, the inspector decides. */
    public String because() {
        return because;
    }

    /** What must be minded with it in, a sentence; empty for nothing. */
    public String caution(Fault fault, Rig rig) {
        return caution.apply(fault, rig);
    }

    /** How it is set by hand, and what to mind while doing so. */
    public String instruction(Fault fault, Rig rig) {
        String minding = caution(fault, rig);
        return instruction.apply(fault, rig) + (minding.isEmpty() ? "" : " Caution: " + minding);
    }

    /** What it does to the readings, test by test; the first one is the first of the sequence. */
    public List<Symptom> symptoms() {
        return List.copyOf(symptoms);
    }

    /** Whether it is found with the eyes, before any reading. */
    public boolean isSeen() {
        return symptoms.contains(Symptom.SEEN);
    }

    /** Whether it changes no reading at all. */
    public boolean isOnlySeen() {
        return symptoms.equals(List.of(Symptom.SEEN)) && group == FaultGroup.INSPECTION;
    }

    /** What it does to the readings, one sentence. */
    public String symptom() {
        return symptom;
    }

    /** What a candidate who found it would write as remedy, one sentence. */
    public String remedy() {
        return remedy;
    }

    /** Other kinds whose name for the nature is as good an answer. */
    public Set<String> equivalentKinds(Rig rig) {
        Set<String> all = new LinkedHashSet<>(equivalents);
        alikeWhere.forEach((kind, rigs) -> {
            if (rigs.test(rig)) {
                all.add(kind);
            }
        });
        return all;
    }

    /** Places that are as good an answer because no reading of the sequence tells them apart; the place itself first. */
    public List<Place> acceptedPlaces(Fault fault, Rig rig) {
        return accepted.apply(fault, rig);
    }

    /** The fault at a place that it fits, with everything else left as the kind usually has it there. */
    public Fault usual(Place place, List<Conductor> chosen, Optional<Place> other, Rig rig) {
        return new Fault(this, place, chosen, sizeFor(place, rig).orElseThrow(), other);
    }

    /** A size that makes the rig worse at a place, base unit; 0 for a kind without one, empty if there is none such. */
    private Optional<Double> sizeFor(Place place, Rig rig) {
        if (magnitude.isEmpty()) {
            return Optional.of(0.0);
        }
        Magnitude m = magnitude.get();
        return Stream.concat(Stream.of(m.usual()), otherSizes.stream())
                .map(m.unit()::toBase)
                .filter(size -> worse.test(new Fault(this, place, conductors.getFirst(), size), rig))
                .findFirst();
    }

    void check(Fault fault, Rig rig) {
        fault.place().mustBeOn(rig);
        Check.that(fits(fault.place(), rig), "does-not-fit", "at", fault.place().label(rig), where.why());
        if (!conductors.contains(fault.conductors())) {
            throw new ProblemsException(new Problem(
                    "bad-conductors",
                    "conductors",
                    fault.conductors().stream().map(Conductor::id).toList().toString(),
                    "give one of "
                            + conductors.stream()
                                    .map(c -> c.stream()
                                            .map(Conductor::id)
                                            .toList()
                                            .toString())
                                    .toList()));
        }
        magnitude.ifPresent(m -> {
            m.check(fault.size());
            Check.that(worse.test(fault, rig), "no-fault", m.fieldName(), m.shown(fault.size()), whyNotWorse);
        });
        List<Place> seconds = joinsTwo ? others(fault.place(), rig) : List.of();
        Check.that(
                joinsTwo == fault.other().isPresent()
                        && fault.other().map(seconds::contains).orElse(true),
                "bad-second-place",
                "to",
                fault.other().map(p -> p.id()).orElse("nothing"),
                joinsTwo
                        ? "give one of "
                                + String.join(
                                        ", ", seconds.stream().map(Place::id).toList())
                        : id + " has one place; leave “to” out");
    }

    @Override
    public String toString() {
        return id;
    }
}
