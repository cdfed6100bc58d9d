package zentrel.machine;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/** Linux with NetworkManager; an adapter is named as its connection is. The firewall is firewalld's. */
final class LinuxSystem extends MachineSystem {
    private static String id(String adapter) {
        return "id " + Quoting.posix(adapter);
    }

    private static String up(String adapter) {
        return " && nmcli connection up " + id(adapter);
    }

    @Override
    String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
        return "nmcli connection modify " + id(adapter) + " ipv4.method manual ipv4.addresses " + address
                + " ipv4.gateway " + gateway.map(Object::toString).orElse("''") + up(adapter);
    }

    @Override
    String dhcp(String adapter) {
        return "nmcli connection modify " + id(adapter) + " ipv4.gateway '' ipv4.addresses '' ipv4.method auto"
                + up(adapter);
    }

    @Override
    String askAgain(String adapter) {
        return on(adapter);
    }

    @Override
    String add(String adapter, HostAddress address) {
        return "nmcli connection modify " + id(adapter) + " +ipv4.addresses " + address + up(adapter);
    }

    @Override
    String remove(String adapter, HostAddress address) {
        return "nmcli connection modify " + id(adapter) + " -ipv4.addresses " + address + up(adapter);
    }

    @Override
    String call(String from, String to) {
        return "nmcli connection modify " + id(from) + " connection.id " + Quoting.posix(to);
    }

    @Override
    String off(String adapter) {
        return "nmcli connection down " + id(adapter);
    }

    @Override
    String on(String adapter) {
        return "nmcli connection up " + id(adapter);
    }

    @Override
    MachineStep virtual(String adapter, HostAddress address) {
        return new MachineStep(
                "Add the virtual adapter " + adapter + " with " + address,
                "nmcli connection add type dummy ifname show0 con-name " + Quoting.posix(adapter)
                        + " ipv4.method manual ipv4.addresses " + address,
                true,
                "nmcli connection delete " + id(adapter));
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
