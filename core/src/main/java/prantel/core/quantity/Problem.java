package prantel.core.quantity;

/**
 * One thing that is wrong with what was given, as data: words are made where it is shown.
 *
 * @param code stable name of the kind of problem, for programs
 * @param where the place in what was given: a JSON pointer, a row and column, or a field
 * @param given what was found there, as written
 * @param mend one sentence: what is allowed or how to put it right
 */
public record Problem(String code, String where, String given, String mend) {

    public Problem at(String elsewhere) {
        return new Problem(code, elsewhere, given, mend);
    }

    @Override
    public String toString() {
        String found = given.isEmpty() ? "" : "found " + given + "; ";
        return where.isEmpty() ? found + mend : where + ": " + found + mend;
    }
}
