package prantel.core.limits;

import java.util.List;

/**
 * Greatest Zs for fuses that disconnect in 0.4 s at 230 V.
 *
 * <p>Source: BS 7671 tables for BS 3036, BS 88-3 and BS 1362, from memory: hold against the book.
 */
public final class FuseTable {
    private static final List<Fuse> FUSES = List.of(
            new Fuse("BS 3036", 5, 9.10),
            new Fuse("BS 3036", 15, 2.43),
            new Fuse("BS 3036", 20, 1.68),
            new Fuse("BS 3036", 30, 1.04),
            new Fuse("BS 88-3", 5, 9.93),
            new Fuse("BS 88-3", 16, 2.30),
            new Fuse("BS 88-3", 20, 1.93),
            new Fuse("BS 88-3", 32, 0.91),
            new Fuse("BS 1362", 3, 15.6),
            new Fuse("BS 1362", 13, 2.30));

    private FuseTable() {}

    public static List<Fuse> all() {
        return FUSES;
    }

    /** @throws prantel.core.quantity.ProblemsException if the table has none such, naming those it has */
    public static Fuse of(String standard, double ratedAmps) {
        return FUSES.stream()
                .filter(f -> f.standard().equals(standard) && f.ratedAmps() == ratedAmps)
                .findFirst()
                .orElseThrow(() -> new prantel.core.quantity.ProblemsException(new prantel.core.quantity.Problem(
                        "unknown-fuse",
                        "ratedAmps",
                        standard + ", " + prantel.core.quantity.Check.plain(ratedAmps) + " A",
                        "give one of "
                                + String.join(
                                        "; ", FUSES.stream().map(Fuse::label).toList()))));
    }
}
