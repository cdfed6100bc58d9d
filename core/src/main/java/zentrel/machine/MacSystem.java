package zentrel.machine;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Route;

/** macOS, by its own line tools as administrator; an adapter is named as the network service is. */
final class MacSystem extends MachineSystem {
    private static String name(String adapter) {
        return ShellQuotes.posix(adapter);
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

    /** A service has one address, so each further one is a service of its own. */
    private static String further(String adapter, HostAddress address) {
        return name(adapter + " " + address.address());
    }

    @Override
    String add(String adapter, HostAddress address) {
        String further = further(adapter, address);
        return "sudo networksetup -duplicatenetworkservice " + name(adapter) + " " + further
                + " && sudo networksetup -setmanual " + further + " " + address.address() + " " + address.mask();
    }

    @Override
    String remove(String adapter, HostAddress address) {
        return "sudo networksetup -removenetworkservice " + further(adapter, address);
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
    MachineStep virtual(String adapter, HostAddress address, int number) {
        return new MachineStep(
                "Add " + address + " to loopback, as " + adapter,
                "sudo ifconfig lo0 alias " + address.address() + " " + address.mask(),
                true,
                "sudo ifconfig lo0 -alias " + address.address());
    }

    @Override
    String tell(String adapter, List<Route> routes, Optional<Ipv4Address> own) {
        StringBuilder all = new StringBuilder(forget(adapter, routes));
        for (Route r : routes) {
            String mask = new HostAddress(r.to().network(), r.to().prefixLength())
                    .mask()
                    .toString();
            r.via()
                    .or(() -> own)
                    .ifPresent(via -> all.append(' ')
                            .append(r.to().network())
                            .append(' ')
                            .append(mask)
                            .append(' ')
                            .append(via));
        }
        return all.toString();
    }

    @Override
    String forget(String adapter, List<Route> routes) {
        return "sudo networksetup -setadditionalroutes " + name(adapter);
    }

    @Override
    MachineStep metric(String adapter, int metric) {
        return new MachineStep(
                "Take " + adapter + " with metric " + metric,
                "System Settings · Network · … · Set Service Order: put " + adapter
                        + " above those with a higher metric, and below those with a lower one.",
                false,
                "The same place: put " + adapter + " back where it was.");
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
