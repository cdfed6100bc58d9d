package zentrel.machine;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Route;

/** Linux with NetworkManager; an adapter is named as its connection is. The firewall is firewalld's. */
final class LinuxSystem extends MachineSystem {
    private static String id(String adapter) {
        return "id " + ShellQuotes.posix(adapter);
    }

    private static String up(String adapter) {
        return " && nmcli connection up " + id(adapter);
    }

    @Override
    String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
        return modify(adapter) + " ipv4.method manual ipv4.addresses " + address + " ipv4.gateway "
                + gateway.map(Object::toString).orElse("''") + up(adapter);
    }

    @Override
    String dhcp(String adapter) {
        return modify(adapter) + " ipv4.gateway '' ipv4.addresses '' ipv4.method auto" + up(adapter);
    }

    @Override
    String askAgain(String adapter) {
        return "nmcli connection up " + id(adapter);
    }

    @Override
    String add(String adapter, HostAddress address) {
        return modify(adapter) + " +ipv4.addresses " + address + up(adapter);
    }

    @Override
    String remove(String adapter, HostAddress address) {
        return modify(adapter) + " -ipv4.addresses " + address + up(adapter);
    }

    @Override
    String call(String from, String to) {
        return "nmcli connection modify " + id(from) + " connection.id " + ShellQuotes.posix(to);
    }

    @Override
    String off(String adapter) {
        return autoconnect(adapter, "no") + " && nmcli connection down " + id(adapter);
    }

    @Override
    String on(String adapter) {
        return autoconnect(adapter, "yes") + up(adapter);
    }

    /** Without it the adapter is back after the next start of the computer. */
    private static String autoconnect(String adapter, String value) {
        return modify(adapter) + " connection.autoconnect " + value;
    }

    private static String modify(String adapter) {
        return "nmcli connection modify " + id(adapter);
    }

    @Override
    MachineStep virtual(String adapter, HostAddress address, int number) {
        return new MachineStep(
                "Add the virtual adapter " + adapter + " with " + address,
                "nmcli connection add type dummy ifname show" + number + " con-name " + ShellQuotes.posix(adapter)
                        + " ipv4.method manual ipv4.addresses " + address,
                true,
                "nmcli connection delete " + id(adapter));
    }

    @Override
    String tell(String adapter, List<Route> routes, Optional<Ipv4Address> own) {
        String all = routes.stream()
                .map(r -> r.to() + r.via().map(v -> " " + v).orElse(""))
                .collect(Collectors.joining(", "));
        return modify(adapter) + " ipv4.routes " + ShellQuotes.posix(all) + up(adapter);
    }

    @Override
    String forget(String adapter, List<Route> routes) {
        return modify(adapter) + " ipv4.routes ''" + up(adapter);
    }

    @Override
    MachineStep metric(String adapter, int metric) {
        return new MachineStep(
                "Take " + adapter + " with metric " + metric,
                modify(adapter) + " ipv4.route-metric " + metric + up(adapter),
                true,
                modify(adapter) + " ipv4.route-metric -1" + up(adapter));
    }

    @Override
    MachineStep letIn(String what, int port) {
        return new MachineStep(
                "Let " + what + " in through the firewall",
                "sudo firewall-cmd --permanent --add-port=" + port + "/udp && sudo firewall-cmd --reload",
                true,
                "sudo firewall-cmd --permanent --remove-port=" + port + "/udp && sudo firewall-cmd --reload");
    }
}
