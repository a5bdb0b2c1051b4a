/** What all of HTTP shares: problems as JSON, and the routes of the browser's pages. */
@NullMarked
package prantel.server.web;

import org.jspecify.annotations.NullMarked;
