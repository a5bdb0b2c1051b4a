package prantel.core.diagnosis;

import java.util.List;
import prantel.core.expectation.Expectation;
import prantel.core.instrument.Written;

/** One known mistake: says whether it would explain a reading that is out of its band. */
interface Mistake {
    /**
     * @param expectation of the box
     * @param written what stands there; outside the band, never blank or unreadable
     * @return empty if the mistake would not have produced it
     */
    List<Explanation> explain(Expectation expectation, Written written, Case theCase);
}
