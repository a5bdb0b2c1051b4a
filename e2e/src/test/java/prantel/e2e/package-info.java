/** Journeys in a real browser against the packaged application. */
package prantel.e2e;
