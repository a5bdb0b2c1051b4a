package prantel.formats;

import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** All formats are UTF-8, with or without a byte-order mark, and nothing else. */
final class Utf8 {
    private Utf8() {}

    /** @throws ProblemsException if it is another encoding */
    static String text(byte[] bytes) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            // UTF-16 of plain letters is UTF-8 with a NUL beside each
            if (text.indexOf('\0') < 0) {
                return text.startsWith("\ufeff") ? text.substring(1) : text;
            }
        } catch (CharacterCodingException e) {
            // the same answer as for a NUL
        }
        throw new ProblemsException(
                new Problem("not-utf-8", "", "", "save the file as UTF-8: it has bytes that are no UTF-8 text"));
    }
}
