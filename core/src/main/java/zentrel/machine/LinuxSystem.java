package zentrel.machine;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/** Linux with NetworkManager; an adapter is named as its connection is. The firewall is firewalld's. */
final class LinuxSystem implements MachineSystem {
    private static String id(String adapter) {
        return "id " + Quoting.posix(adapter);
    }

    private static String up(String adapter) {
        return " && nmcli connection up " + id(adapter);
    }

    private static String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
        return "nmcli connection modify " + id(adapter) + " ipv4.method manual ipv4.addresses " + address
                + " ipv4.gateway " + gateway.map(Object::toString).orElse("''") + up(adapter);
    }

    private static String dhcp(String adapter) {
        return "nmcli connection modify " + id(adapter) + " ipv4.gateway '' ipv4.addresses '' ipv4.method auto"
                + up(adapter);
    }

    private static String back(String adapter, Before before) {
        return before.address().map(a -> set(adapter, a, Optional.empty())).orElseGet(() -> dhcp(adapter));
    }

    @Override
    public MachineStep byHand(String adapter, HostAddress address, Optional<Ipv4Address> gateway, Before before) {
        return new MachineStep(
                "Give " + adapter + " " + address, set(adapter, address, gateway), true, back(adapter, before));
    }

    @Override
    public MachineStep byDhcp(String adapter, Before before) {
        return new MachineStep("Let " + adapter + " ask for an address", dhcp(adapter), true, back(adapter, before));
    }

    @Override
    public MachineStep renew(String adapter) {
        return new MachineStep(
                "Ask again for an address of " + adapter, "nmcli connection up " + id(adapter), true, "");
    }

    @Override
    public MachineStep second(String adapter, HostAddress address) {
        return new MachineStep(
                "Give " + adapter + " " + address + " as well",
                "nmcli connection modify " + id(adapter) + " +ipv4.addresses " + address + up(adapter),
                true,
                "nmcli connection modify " + id(adapter) + " -ipv4.addresses " + address + up(adapter));
    }

    @Override
    public MachineStep rename(String from, String to) {
        return new MachineStep(
                "Call the adapter " + to,
                "nmcli connection modify " + id(from) + " connection.id " + Quoting.posix(to),
                true,
                "nmcli connection modify " + id(to) + " connection.id " + Quoting.posix(from));
    }

    @Override
    public MachineStep off(String adapter) {
        return new MachineStep(
                "Switch " + adapter + " off",
                "nmcli connection down " + id(adapter),
                true,
                "nmcli connection up " + id(adapter));
    }

    @Override
    public MachineStep virtual(String adapter, HostAddress address) {
        return new MachineStep(
                "Add the virtual adapter " + adapter + " with " + address,
                "nmcli connection add type dummy ifname show0 con-name " + Quoting.posix(adapter)
                        + " ipv4.method manual ipv4.addresses " + address,
                true,
                "nmcli connection delete " + id(adapter));
    }

    @Override
    public MachineStep letIn(String what, int port) {
        return new MachineStep(
                "Let " + what + " in through the firewall",
                "sudo firewall-cmd --permanent --add-port=" + port + "/udp && sudo firewall-cmd --reload",
                true,
                "sudo firewall-cmd --permanent --remove-port=" + port + "/udp && sudo firewall-cmd --reload");
    }
}
