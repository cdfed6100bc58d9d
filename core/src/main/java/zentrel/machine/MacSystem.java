package zentrel.machine;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/** macOS, by its own line tools as administrator; an adapter is named as the network service is. */
final class MacSystem implements MachineSystem {
    private static String name(String adapter) {
        return Quoting.posix(adapter);
    }

    private static String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
        return "sudo networksetup -setmanual " + name(adapter) + " " + address.address() + " " + address.mask()
                + gateway.map(g -> " " + g).orElse("");
    }

    private static String dhcp(String adapter) {
        return "sudo networksetup -setdhcp " + name(adapter);
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
        return new MachineStep("Ask again for an address of " + adapter, dhcp(adapter), true, "");
    }

    @Override
    public MachineStep second(String adapter, HostAddress address) {
        String second = name(adapter + " second");
        return new MachineStep(
                "Give " + adapter + " " + address + " as well",
                "sudo networksetup -duplicatenetworkservice " + name(adapter) + " " + second
                        + " && sudo networksetup -setmanual " + second + " " + address.address() + " " + address.mask(),
                true,
                "sudo networksetup -removenetworkservice " + second);
    }

    @Override
    public MachineStep rename(String from, String to) {
        return new MachineStep(
                "Call the adapter " + to,
                "sudo networksetup -renamenetworkservice " + name(from) + " " + name(to),
                true,
                "sudo networksetup -renamenetworkservice " + name(to) + " " + name(from));
    }

    @Override
    public MachineStep off(String adapter) {
        return new MachineStep(
                "Switch " + adapter + " off",
                "sudo networksetup -setnetworkserviceenabled " + name(adapter) + " off",
                true,
                "sudo networksetup -setnetworkserviceenabled " + name(adapter) + " on");
    }

    @Override
    public MachineStep virtual(String adapter, HostAddress address) {
        return new MachineStep(
                "Add " + address + " to loopback, as " + adapter,
                "sudo ifconfig lo0 alias " + address.address() + " " + address.mask(),
                true,
                "sudo ifconfig lo0 -alias " + address.address());
    }

    @Override
    public MachineStep letIn(String what, int port) {
        return new MachineStep(
                "Let " + what + " in through the firewall",
                "System Settings · Network · Firewall · Options: let the program take incoming connections (UDP " + port
                        + "). System Settings · Privacy & Security · Local Network: switch the program on.",
                false,
                "The same two places: take the program out, switch it off.");
    }
}
