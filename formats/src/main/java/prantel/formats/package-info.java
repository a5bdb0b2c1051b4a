/**
 * Files in and out: rigs, fault sets and testers as JSON with a published JSON Schema, readings as CSV, keys as JSON and
 * CSV, networks as SPICE decks. In: bytes and the name of the file. Out: core's objects, or every problem at once with
 * its JSON pointer or row and column. Formats are described in {@code docs/formats}. Start with {@link
 * prantel.formats.RigFile}.
 */
@NullMarked
package prantel.formats;

import org.jspecify.annotations.NullMarked;
