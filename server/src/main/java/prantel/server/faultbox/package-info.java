/** The fault boxes of the bays: who is connected, what is pulled in, what happens when contact is lost. */
@NullMarked
package prantel.server.faultbox;

import org.jspecify.annotations.NullMarked;
