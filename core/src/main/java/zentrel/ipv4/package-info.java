/**
 * IPv4 arithmetic: addresses, an address with its mask, subnets. Nothing here knows the plan or a socket.
 *
 * <p>Start with {@link zentrel.ipv4.Ipv4Address} (strict parsing), then {@link zentrel.ipv4.HostAddress} (an address as an
 * adapter has it, with network and broadcast) and {@link zentrel.ipv4.Subnet}. {@link zentrel.ipv4.SpecialAddresses} says
 * what no host may have, and which RFC says so.
 */
@NullMarked
package zentrel.ipv4;

import org.jspecify.annotations.NullMarked;
