package zentrel.machine;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/** macOS, by its own line tools as administrator; an adapter is named as the network service is. */
final class MacSystem extends MachineSystem {
    private static String name(String adapter) {
        return Quoting.posix(adapter);
    }

    @Override
    String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
        return "sudo networksetup -setmanual " + name(adapter) + " " + address.address() + " " + address.mask()
                + gateway.map(g -> " " + g).orElse("");
    }

    @Override
    String dhcp(String adapter) {
        return "sudo networksetup -setdhcp " + name(adapter);
    }

    @Override
    String askAgain(String adapter) {
        return dhcp(adapter);
    }

    private static String second(String adapter) {
        return name(adapter + " second");
    }

    @Override
    String add(String adapter, HostAddress address) {
        return "sudo networksetup -duplicatenetworkservice " + name(adapter) + " " + second(adapter)
                + " && sudo networksetup -setmanual " + second(adapter) + " " + address.address() + " "
                + address.mask();
    }

    @Override
    String remove(String adapter, HostAddress address) {
        return "sudo networksetup -removenetworkservice " + second(adapter);
    }

    @Override
    String call(String from, String to) {
        return "sudo networksetup -renamenetworkservice " + name(from) + " " + name(to);
    }

    @Override
    String off(String adapter) {
        return "sudo networksetup -setnetworkserviceenabled " + name(adapter) + " off";
    }

    @Override
    String on(String adapter) {
        return "sudo networksetup -setnetworkserviceenabled " + name(adapter) + " on";
    }

    @Override
    MachineStep virtual(String adapter, HostAddress address) {
        return new MachineStep(
                "Add " + address + " to loopback, as " + adapter,
                "sudo ifconfig lo0 alias " + address.address() + " " + address.mask(),
                true,
                "sudo ifconfig lo0 -alias " + address.address());
    }

    @Override
    MachineStep letIn(String what, int port) {
        return new MachineStep(
                "Let " + what + " in through the firewall",
                "System Settings · Network · Firewall · Options: let the program take incoming connections (UDP " + port
                        + "). System Settings · Privacy & Security · Local Network: switch the program on.",
                false,
                "The same two places: take the program out, switch it off.");
    }
}
