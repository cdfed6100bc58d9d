package zentrel.machine;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Route;

/** Windows, by PowerShell as administrator. */
final class WindowsSystem extends MachineSystem {
    private static String name(String adapter) {
        return Quoting.powerShell(adapter);
    }

    @Override
    String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
        return clear(adapter) + "; Set-NetIPInterface -InterfaceAlias " + name(adapter)
                + " -AddressFamily IPv4 -Dhcp Disabled; New-NetIPAddress -InterfaceAlias " + name(adapter)
                + " -IPAddress " + address.address() + " -PrefixLength " + address.prefixLength()
                + gateway.map(g -> " -DefaultGateway " + g).orElse("");
    }

    private static String clear(String adapter) {
        return "Remove-NetIPAddress -InterfaceAlias " + name(adapter)
                + " -AddressFamily IPv4 -Confirm:$false -ErrorAction SilentlyContinue; Remove-NetRoute -InterfaceAlias "
                + name(adapter)
                + " -DestinationPrefix 0.0.0.0/0 -Confirm:$false -ErrorAction SilentlyContinue";
    }

    @Override
    String dhcp(String adapter) {
        return clear(adapter) + "; Set-NetIPInterface -InterfaceAlias " + name(adapter)
                + " -AddressFamily IPv4 -Dhcp Enabled";
    }

    @Override
    String askAgain(String adapter) {
        return "ipconfig /renew " + name(adapter);
    }

    @Override
    String add(String adapter, HostAddress address) {
        return "New-NetIPAddress -InterfaceAlias " + name(adapter) + " -IPAddress " + address.address()
                + " -PrefixLength " + address.prefixLength() + " -SkipAsSource $true";
    }

    @Override
    String remove(String adapter, HostAddress address) {
        return "Remove-NetIPAddress -InterfaceAlias " + name(adapter) + " -IPAddress " + address.address()
                + " -Confirm:$false";
    }

    @Override
    String call(String from, String to) {
        return "Rename-NetAdapter -Name " + name(from) + " -NewName " + name(to);
    }

    @Override
    String off(String adapter) {
        return "Disable-NetAdapter -Name " + name(adapter) + " -Confirm:$false";
    }

    @Override
    String on(String adapter) {
        return "Enable-NetAdapter -Name " + name(adapter);
    }

    @Override
    MachineStep virtual(String adapter, HostAddress address, int number) {
        return new MachineStep(
                "Add the virtual adapter " + adapter + " with " + address,
                "Device Manager · Action · Add legacy hardware · install manually · Network adapters · Microsoft ·"
                        + " loopback adapter. Call it " + adapter + " in Network connections, then give it "
                        + address.address() + ", mask " + address.mask() + ".",
                false,
                "Device Manager · Network adapters · the loopback adapter · Uninstall device.");
    }

    @Override
    String tell(String adapter, List<Route> routes, Optional<Ipv4Address> own) {
        return routes.stream()
                .map(r -> "New-NetRoute" + route(adapter, r) + " -NextHop "
                        + r.via().map(Object::toString).orElse("0.0.0.0"))
                .collect(Collectors.joining("; "));
    }

    @Override
    String forget(String adapter, List<Route> routes) {
        return routes.stream()
                .map(r -> "Remove-NetRoute" + route(adapter, r) + " -Confirm:$false")
                .collect(Collectors.joining("; "));
    }

    private static String route(String adapter, Route route) {
        return " -InterfaceAlias " + name(adapter) + " -DestinationPrefix " + route.to();
    }

    @Override
    MachineStep metric(String adapter, int metric) {
        String set = "Set-NetIPInterface -InterfaceAlias " + name(adapter) + " -AddressFamily IPv4 ";
        return new MachineStep(
                "Take " + adapter + " with metric " + metric,
                set + "-InterfaceMetric " + metric,
                true,
                set + "-AutomaticMetric Enabled");
    }

    @Override
    MachineStep letIn(String what, int port) {
        String rule = name("Show network " + what + " in");
        return new MachineStep(
                "Let " + what + " in through the firewall",
                "New-NetFirewallRule -DisplayName " + rule + " -Direction Inbound -Protocol UDP -LocalPort " + port
                        + " -Action Allow -Profile Any",
                true,
                "Remove-NetFirewallRule -DisplayName " + rule);
    }
}
