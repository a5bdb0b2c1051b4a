/**
 * The fault box: relays that set faults on a rig, over Modbus/TCP. A simulated one ships with the application; the client
 * speaks to it or to a real one with the same registers ({@code docs/formats/faultbox.md}). Read first {@link
 * prantel.devices.FaultBoxClient}.
 */
@NullMarked
package prantel.devices;

import org.jspecify.annotations.NullMarked;
