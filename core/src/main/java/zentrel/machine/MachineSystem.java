package zentrel.machine;

import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/**
 * How one system is told. The names of adapters are those that the system itself shows; each step has the one that takes it
 * back. The commands are the systems' own, from their manuals as remembered; no source is published with this project.
 */
interface MachineSystem {
    /** What a change is taken back to: an address that was there, or DHCP. */
    record Before(java.util.Optional<HostAddress> address) {}

    MachineStep byHand(String adapter, HostAddress address, java.util.Optional<Ipv4Address> gateway, Before before);

    MachineStep byDhcp(String adapter, Before before);

    MachineStep renew(String adapter);

    MachineStep second(String adapter, HostAddress address);

    MachineStep rename(String from, String to);

    MachineStep off(String adapter);

    MachineStep virtual(String adapter, HostAddress address);

    /**
     * Lets one kind of traffic in.
     *
     * @param port a UDP port
     */
    MachineStep letIn(String what, int port);
}
