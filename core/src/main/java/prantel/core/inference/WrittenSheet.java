package prantel.core.inference;

import java.util.LinkedHashMap;
import java.util.Map;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.sequence.SlotId;

/** What stands in the boxes of one sheet, understood. Boxes that were never touched are blank. */
public record WrittenSheet(Map<SlotId, Written> written) {
    private static final Written BLANK = new Written.Blank();

    public WrittenSheet {
        written = Map.copyOf(written);
    }

    /** @param texts as written, by box; boxes the key does not have are left out */
    public static WrittenSheet read(Map<SlotId, String> texts, Key key) {
        Map<SlotId, Written> written = new LinkedHashMap<>();
        for (Expectation expectation : key.expectations()) {
            String text = texts.get(expectation.slot().id());
            if (text != null) {
                written.put(
                        expectation.slot().id(),
                        Notation.read(text, expectation.slot().boxUnit()));
            }
        }
        return new WrittenSheet(written);
    }

    public Written at(SlotId slot) {
        return written.getOrDefault(slot, BLANK);
    }

    public boolean isBlank(SlotId slot) {
        return at(slot) instanceof Written.Blank;
    }
}
