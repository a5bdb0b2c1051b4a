package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester.Function;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Variation;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.core.setting.Exploration;
import prantel.core.setting.Hypothesis;

/** What check readings speak for. How a hand sets, reads and nulls: common practice, no source. */
class WhatIsSetTest {
    private static Key healthy;
    private static Exploration singles;

    @BeforeAll
    static void explore() {
        healthy = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.workshop());
        singles = Exploration.of(healthy);
    }

    private static List<WhatIsSet.Ranked> ranked(Key key, Map<SlotId, String> readings, FaultSet before) {
        return WhatIsSet.of(key, readings, Hypothesis.instead(key, singles, before, f -> true));
    }

    /** The readings that prove what is meant, taken on the rig as it is. */
    private static List<WhatIsSet.Ranked> proved(FaultSet meant, FaultSet there, FaultSet before) {
        return ranked(healthy.with(meant), taken(meant, there, r -> r), before);
    }

    private static Map<SlotId, String> taken(FaultSet meant, FaultSet there, UnaryOperator<Double> shown) {
        Key really = healthy.with(there);
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (var e : CheckPlan.of(healthy.with(meant), singles, f -> true).readings()) {
            Reading reads = really.expectation(e.slot().id()).withFaults();
            boolean number = e.slot() instanceof Slot.Measured m
                    && m.function() == Function.CONTINUITY
                    && reads instanceof Reading.Value
                    && Double.isFinite(reads.base());
            readings.put(
                    e.slot().id(),
                    number ? String.format(Locale.ROOT, "%.2f", shown.apply(reads.base())) : reads.shown());
        }
        return readings;
    }

    @Test
    void readingsOfTheRightSetSpeakForIt() {
        FaultSet set = FaultSet.of(Faults.joint(3, Conductor.CPC, 0.8), Faults.clampOnPaint(Rigs.GAS));
        WhatIsSet.Ranked first = proved(set, set, FaultSet.NONE).getFirst();
        assertThat(first.cause()).isEmpty();
        assertThat(first.misfits()).isZero();
        assertThat(first.share()).isGreaterThan(0.9);
        assertThat(first.isNearlySo()).isFalse();
    }

    @Test
    void oneFaultNotSetIsNamed() {
        Fault joint = Faults.joint(3, Conductor.CPC, 0.8);
        WhatIsSet.Ranked first = proved(
                        FaultSet.of(joint, Faults.clampOnPaint(Rigs.GAS)), FaultSet.of(joint), FaultSet.NONE)
                .getFirst();
        assertThat(first.cause()).contains(Cause.FAULT_NOT_SET);
        assertThat(first.there()).isEqualTo(FaultSet.of(joint));
    }

    @Test
    void healthyRigUnderASetIsSaidToBeHealthy() {
        WhatIsSet.Ranked first = proved(FaultSet.of(Faults.cpcOpenAfter(2)), FaultSet.NONE, FaultSet.NONE)
                .getFirst();
        assertThat(first.cause()).contains(Cause.FAULT_NOT_SET);
        assertThat(first.there().isEmpty()).isTrue();
    }

    @Test
    void faultAtTheWrongSocketIsAmongWhatFits() {
        List<WhatIsSet.Ranked> ranked =
                proved(FaultSet.of(Faults.reversed(2)), FaultSet.of(Faults.reversed(4)), FaultSet.NONE);
        assertThat(ranked.getFirst().cause()).isPresent();
        assertThat(ranked)
                .filteredOn(r -> r.misfits() == 0)
                .extracting(WhatIsSet.Ranked::there)
                .as("one reading may fit several: the right one is among them")
                .contains(FaultSet.of(Faults.reversed(4)));
    }

    @Test
    void leftOverFromTheLastCandidateIsNamed() {
        Fault before = Faults.reversed(5);
        FaultSet set = FaultSet.of(Faults.joint(5, Conductor.CPC, 0.9));
        Key really = healthy.with(set.with(before));
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (String box : List.of("sockets/r2/socket-5", "sockets/r1r2/socket-5")) {
            SlotId id = new SlotId(box);
            readings.put(id, really.expectation(id).withFaults().shown());
        }
        WhatIsSet.Ranked first =
                ranked(healthy.with(set), readings, FaultSet.of(before)).getFirst();
        assertThat(first.cause()).contains(Cause.FAULT_LEFT_OVER);
        assertThat(first.there()).isEqualTo(set.with(before));
    }

    @Test
    void readingJustOutsideItsBandIsNearlySo() {
        FaultSet set = FaultSet.of(Faults.joint(5, Conductor.CPC, 0.8));
        Key key = healthy.with(set);
        SlotId slot = new SlotId("sockets/r2/socket-5");
        double high = key.expectation(slot).window().high();
        WhatIsSet.Ranked asMeant =
                ranked(key, Map.of(slot, String.format(Locale.ROOT, "%.2f", high + 0.02)), FaultSet.NONE).stream()
                        .filter(r -> r.cause().isEmpty())
                        .findFirst()
                        .orElseThrow();
        assertThat(asMeant.isNearlySo()).isTrue();
    }

    /** The leads of the tester in the fixture are 0.30 Ω: whoever proves a set can forget them too. */
    @Test
    void leadsOfWhoeverProvesTheSetAreFoundBeforeTheRigIsBlamed() {
        FaultSet set = FaultSet.of(Faults.joint(2, Conductor.CPC, 0.8), Faults.joint(4, Conductor.LINE, 0.9));
        double leads = Testers.usual().leadOhms(Function.CONTINUITY);
        Map<SlotId, String> readings = taken(set, set, r -> r + leads);
        assertThat(readings).hasSizeGreaterThan(1);
        WhatIsSet.Ranked first =
                ranked(healthy.with(set), readings, FaultSet.NONE).getFirst();
        assertThat(first.cause()).contains(Cause.LEADS_NOT_NULLED);
        assertThat(first.evidence()).anySatisfy(e -> assertThat(e.would()).startsWith("1.48"));
    }

    @Test
    void aResistorOfAnotherSizeIsToldWithTheSizeItHas() {
        FaultSet set = FaultSet.of(Faults.joint(3, Conductor.CPC, 0.8));
        FaultSet there = FaultSet.of(Faults.joint(3, Conductor.CPC, 1.4));
        Key really = healthy.with(there);
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (String box : List.of("sockets/r2/socket-2", "sockets/r2/socket-4", "sockets/r2/socket-5")) {
            SlotId id = new SlotId(box);
            readings.put(id, really.expectation(id).withFaults().shown());
        }
        WhatIsSet.Ranked first =
                ranked(healthy.with(set), readings, FaultSet.NONE).getFirst();
        assertThat(first.cause()).contains(Cause.FAULT_DRIFTED);
        assertThat(first.evidence())
                .as("what it would read with that size, not the band of the one that was meant")
                .anySatisfy(e -> assertThat(e.would()).contains("Ω"));
        double told = Double.parseDouble(first.words().replaceAll(".*about ([0-9.]+).*", "$1"));
        assertThat(told).isCloseTo(1.4, within(0.15));
    }

    /** Three readings with a third of the wander lead in each: a resistor of another size would leave the first one open. */
    @Test
    void partOfTheLeadsInEveryReadingIsNoResistorOfAnotherSize() {
        FaultSet set = FaultSet.of(Faults.joint(3, Conductor.CPC, 0.8));
        Key key = healthy.with(set);
        double part = 0.35 * Testers.usual().leadOhms(Function.CONTINUITY_WANDER_LEAD);
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (String box : List.of("sockets/r2/socket-2", "sockets/r2/socket-3", "sockets/r2/socket-4")) {
            SlotId id = new SlotId(box);
            double right = key.expectation(id).withFaults().base();
            readings.put(id, String.format(Locale.ROOT, "%.2f", right + part));
        }
        WhatIsSet.Ranked first = ranked(key, readings, FaultSet.NONE).getFirst();
        assertThat(first.cause()).contains(Cause.NULLED_WRONG);
        assertThat(first.misfits()).isZero();
    }

    @Test
    void whatNothingAccountsForIsLeftOpen() {
        FaultSet set = FaultSet.of(Faults.joint(3, Conductor.CPC, 0.8));
        Map<SlotId, String> readings = Map.of(
                new SlotId("sockets/r2/socket-2"), "7.77",
                new SlotId("sockets/r2/socket-4"), "0.02",
                new SlotId("sockets/r2/socket-5"), "31.3");
        assertThat(ranked(healthy.with(set), readings, FaultSet.NONE).getFirst().misfits())
                .isPositive();
    }

    @Test
    void nothingReadableSaysNothing() {
        Key key = healthy.with(FaultSet.of(Faults.cpcOpenAfter(2)));
        assertThat(ranked(key, Map.of(new SlotId("sockets/r2/socket-5"), "abc"), FaultSet.NONE))
                .isEmpty();
    }

    /**
     * Rigs that are built a few per cent otherwise than drawn, read by a hand that nulls almost: whatever is set, the set as
     * meant leads where it is there, and does not where none of it is.
     */
    @Test
    void builtOtherwiseThanDrawnTheRightSetLeads() {
        Random random = new Random(41);
        List<Fault> all = singles.effects().stream()
                .filter(e -> !e.findable().isEmpty())
                .map(e -> e.fault())
                .toList();
        int right = 0;
        int missed = 0;
        int tries = 0;
        while (tries < 60) {
            FaultSet set = FaultSet.of(all.get(random.nextInt(all.size())));
            try {
                set.checkChosenOn(healthy.rig());
            } catch (ProblemsException e) {
                continue;
            }
            tries++;
            Key key = healthy.with(set);
            if (ranked(key, read(key, set, random), FaultSet.NONE)
                    .getFirst()
                    .cause()
                    .isEmpty()) {
                right++;
            }
            if (ranked(key, read(key, FaultSet.NONE, random), FaultSet.NONE)
                    .getFirst()
                    .cause()
                    .isEmpty()) {
                missed++;
            }
        }
        assertThat(right).isGreaterThanOrEqualTo(57);
        assertThat(missed).isLessThanOrEqualTo(2);
    }

    private static Map<SlotId, String> read(Key key, FaultSet there, Random random) {
        Bench bench = new Bench(
                key.rig(),
                there,
                new Variation(1 + 0.02 * random.nextGaussian(), 1, 1, 1 + 0.02 * random.nextGaussian(), 1, 1, 1));
        double left = Math.abs(0.008 * random.nextGaussian());
        Key really = healthy.with(there);
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (var e : CheckPlan.of(key, singles).readings()) {
            Slot.Measured slot = (Slot.Measured) e.slot();
            Reading shown = really.expectation(slot.id()).withFaults();
            double value = shown instanceof Reading.Value && slot.function().isContinuity()
                    ? bench.value(slot) + left + 0.005 * random.nextGaussian()
                    : Double.POSITIVE_INFINITY;
            readings.put(
                    slot.id(),
                    Double.isFinite(value) ? String.format(Locale.ROOT, "%.2f", Math.max(0, value)) : shown.shown());
        }
        return readings;
    }
}
