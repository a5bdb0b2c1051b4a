package prantel.core.sequence;

import java.util.List;
import prantel.core.rig.Conductor;
import prantel.core.scheme.TestKind;

/**
 * Where and what a box of a sheet is. Everything that is asked of a box, its place on the sheet, its round, its device, is
 * asked here; its id is only the spelling of it.
 */
public record BoxAddress(TestKind test, Quantity quantity, Site site, Detail detail) {
    /**
     * @param conductors a line, or a pair it lies between; empty where there is only one
     * @param volts of an insulation test; 0 for every other
     * @param round of an insulation test with switches operated, counted from 1; 0 where there is only one
     * @param negativeHalf an RCD tested from 180° on
     * @param role what becomes of it
     */
    public record Detail(List<Conductor> conductors, int volts, int round, boolean negativeHalf, Role role) {
        static final Detail NONE = new Detail(List.of(), 0, 0, false, Role.READING);

        public Detail {
            conductors = List.copyOf(conductors);
        }
    }

    /** Ze of the rig; with three lines the one that stands on the record, which is spelled the same. */
    public static final BoxAddress ZE = of(TestKind.ZE, Quantity.ZE, new Site.Origin());

    /** What becomes of a box. */
    public enum Role {
        READING,
        /** The one of several that stands on the record. */
        FOR_THE_RECORD,
        /** Worked out from boxes of other tests. */
        BY_CALCULATION
    }

    static BoxAddress of(TestKind test, Quantity quantity, Site site) {
        return new BoxAddress(test, quantity, site, Detail.NONE);
    }

    BoxAddress between(Conductor... conductors) {
        return with(
                new Detail(List.of(conductors), detail.volts(), detail.round(), detail.negativeHalf(), detail.role()));
    }

    BoxAddress at(int volts, int round) {
        return with(new Detail(detail.conductors(), volts, round, detail.negativeHalf(), detail.role()));
    }

    BoxAddress half(boolean negative) {
        return with(new Detail(detail.conductors(), detail.volts(), detail.round(), negative, detail.role()));
    }

    BoxAddress forTheRecord() {
        return with(new Detail(
                detail.conductors(), detail.volts(), detail.round(), detail.negativeHalf(), Role.FOR_THE_RECORD));
    }

    BoxAddress byCalculation() {
        return with(new Detail(
                detail.conductors(), detail.volts(), detail.round(), detail.negativeHalf(), Role.BY_CALCULATION));
    }

    private BoxAddress with(Detail other) {
        return new BoxAddress(test, quantity, site, other);
    }

    /** The same reading in another round of its insulation test. */
    public BoxAddress inRound(int round) {
        return at(detail.volts(), round);
    }

    public boolean is(Quantity wanted) {
        return quantity == wanted;
    }

    /** Whether both hold the same quantity, between the same conductors where it lies between some. */
    public boolean isSameQuantity(BoxAddress other) {
        boolean ofPairs = switch (quantity) {
            case INSULATION, VOLTAGE, OPEN, THROUGH -> true;
            default -> false;
        };
        boolean samePair = !ofPairs || detail.conductors().equals(other.detail.conductors());
        return quantity == other.quantity && samePair && site.isItem(other.site);
    }

    /** Whether it is taken in a later round than the first. */
    public boolean isOfALaterRound() {
        return detail.round() > 1;
    }

    public boolean isForTheRecord() {
        return detail.role() == Role.FOR_THE_RECORD;
    }

    /** Its id: the address as it is kept in records, which never changes. Nothing reads it back. */
    public SlotId id() {
        return new SlotId(BoxSpelling.of(this));
    }
}
