package prantel.core.sequence;

/** What a candidate works out beforehand. @param working formula with the numbers put in @param base result, base unit */
public record ByHand(String working, double base) {}
