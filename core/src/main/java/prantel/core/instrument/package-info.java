/**
 * Instruments: from the true resistance between two probes to what the display shows, leads and all. Start with
 * {@link prantel.core.instrument.Meter} and {@link prantel.core.instrument.Reading}.
 */
@NullMarked
package prantel.core.instrument;

import org.jspecify.annotations.NullMarked;
