/**
 * What a technician should look at while describing a rig. In: a healthy {@link prantel.core.expectation.Key}. Out:
 * {@link prantel.core.survey.Warning}s; {@link prantel.core.survey.RigSurvey} makes them.
 */
@NullMarked
package prantel.core.survey;

import org.jspecify.annotations.NullMarked;
