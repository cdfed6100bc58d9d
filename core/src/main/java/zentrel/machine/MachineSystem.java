package zentrel.machine;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Route;

/**
 * How one system is told. The names of adapters are those that the system itself shows; each step has the one that takes it
 * back. The commands are the systems' own, from their manuals as remembered; no source is published with this project.
 */
abstract class MachineSystem {
    // --- what differs from system to system: the lines ---

    abstract String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway);

    abstract String dhcp(String adapter);

    abstract String askAgain(String adapter);

    abstract String add(String adapter, HostAddress address);

    abstract String remove(String adapter, HostAddress address);

    abstract String call(String from, String to);

    abstract String off(String adapter);

    abstract String on(String adapter);

    /** @param number which of the computer's virtual adapters it is, from 0 */
    abstract MachineStep virtual(String adapter, HostAddress address, int number);

    /** @param own the adapter's own address, which stands for the router where a network is on its own cable */
    abstract String tell(String adapter, List<Route> routes, Optional<Ipv4Address> own);

    abstract String forget(String adapter, List<Route> routes);

    abstract MachineStep metric(String adapter, int metric);

    /**
     * Lets one kind of traffic in.
     *
     * @param port a UDP port
     */
    abstract MachineStep letIn(String what, int port);

    // --- what is the same everywhere: the steps ---

    /** @param before what the adapter had, to which it goes back; DHCP where nobody knows */
    final MachineStep byHand(
            String adapter, HostAddress address, Optional<Ipv4Address> gateway, Optional<HostAddress> before) {
        return new MachineStep(
                "Give " + adapter + " " + address, set(adapter, address, gateway), true, back(adapter, before));
    }

    final MachineStep byDhcp(String adapter, Optional<HostAddress> before) {
        return new MachineStep("Let " + adapter + " ask for an address", dhcp(adapter), true, back(adapter, before));
    }

    private String back(String adapter, Optional<HostAddress> before) {
        return before.map(a -> set(adapter, a, Optional.empty())).orElseGet(() -> dhcp(adapter));
    }

    final MachineStep renew(String adapter) {
        return new MachineStep("Ask again for an address of " + adapter, askAgain(adapter), true, "");
    }

    final MachineStep second(String adapter, HostAddress address) {
        return new MachineStep(
                "Give " + adapter + " " + address + " as well", add(adapter, address), true, remove(adapter, address));
    }

    final MachineStep rename(String from, String to) {
        return new MachineStep("Call the adapter " + to, call(from, to), true, call(to, from));
    }

    final MachineStep switchOff(String adapter) {
        return new MachineStep("Switch " + adapter + " off", off(adapter), true, on(adapter));
    }

    final MachineStep switchOn(String adapter) {
        return new MachineStep("Switch " + adapter + " on", on(adapter), true, off(adapter));
    }

    final MachineStep routes(String adapter, List<Route> routes, Optional<Ipv4Address> own) {
        return new MachineStep(
                "Tell " + adapter + " the way to "
                        + routes.stream().map(Route::text).collect(Collectors.joining(", ")),
                tell(adapter, routes, own),
                true,
                forget(adapter, routes));
    }
}
