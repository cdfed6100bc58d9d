/** What a kind of device can do, as data: its sockets, ports, programs, limits, supplies and signs; and the kinds of devices, systems,
 * adapters and protocols there are. */
@NullMarked
package zentrel.profile;

import org.jspecify.annotations.NullMarked;
