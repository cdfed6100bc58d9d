package zentrel.machine;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Route;

/**
 * Windows, by PowerShell as administrator. Several parameters that name an adapter or a rule read {@code *}, {@code ?} and
 * {@code [} as patterns, also between quotes; such a name is looked up by comparison instead, so that no other is touched.
 */
final class WindowsSystem extends MachineSystem {
    private static String name(String adapter) {
        return ShellQuotes.powerShell(adapter);
    }

    /** The parameter of the network commands that names one adapter. */
    private static String alias(String adapter) {
        return ShellQuotes.isPattern(adapter)
                ? " -InterfaceIndex " + found(adapter) + ".ifIndex"
                : " -InterfaceAlias " + name(adapter);
    }

    /** The parameter of the adapter commands that names one adapter. */
    private static String adapter(String adapter) {
        return ShellQuotes.isPattern(adapter) ? " -InputObject " + found(adapter) : " -Name " + name(adapter);
    }

    private static String found(String adapter) {
        return "(Get-NetAdapter | Where-Object { $_.Name -eq " + name(adapter) + " })";
    }

    @Override
    String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
        return clear(adapter) + "; Set-NetIPInterface" + alias(adapter)
                + " -AddressFamily IPv4 -Dhcp Disabled; New-NetIPAddress" + alias(adapter)
                + " -IPAddress " + address.address() + " -PrefixLength " + address.prefixLength()
                + gateway.map(g -> " -DefaultGateway " + g).orElse("");
    }

    private static String clear(String adapter) {
        return "Remove-NetIPAddress" + alias(adapter)
                + " -AddressFamily IPv4 -Confirm:$false -ErrorAction SilentlyContinue; Remove-NetRoute"
                + alias(adapter)
                + " -DestinationPrefix 0.0.0.0/0 -Confirm:$false -ErrorAction SilentlyContinue";
    }

    @Override
    String dhcp(String adapter) {
        return clear(adapter) + "; Set-NetIPInterface" + alias(adapter) + " -AddressFamily IPv4 -Dhcp Enabled";
    }

    @Override
    String askAgain(String adapter) {
        return ShellQuotes.isPattern(adapter)
                ? "Get-CimInstance Win32_NetworkAdapterConfiguration | Where-Object { $_.InterfaceIndex -eq "
                        + found(adapter) + ".ifIndex } | Invoke-CimMethod -MethodName RenewDHCPLease"
                : "ipconfig /renew " + name(adapter);
    }

    @Override
    String add(String adapter, HostAddress address) {
        return "New-NetIPAddress" + alias(adapter) + " -IPAddress " + address.address() + " -PrefixLength "
                + address.prefixLength() + " -SkipAsSource $true";
    }

    @Override
    String remove(String adapter, HostAddress address) {
        return "Remove-NetIPAddress" + alias(adapter) + " -IPAddress " + address.address() + " -Confirm:$false";
    }

    @Override
    String call(String from, String to) {
        return "Rename-NetAdapter" + adapter(from) + " -NewName " + name(to);
    }

    @Override
    String off(String adapter) {
        return "Disable-NetAdapter" + adapter(adapter) + " -Confirm:$false";
    }

    @Override
    String on(String adapter) {
        return "Enable-NetAdapter" + adapter(adapter);
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
        return alias(adapter) + " -DestinationPrefix " + route.to();
    }

    @Override
    MachineStep metric(String adapter, int metric) {
        String set = "Set-NetIPInterface" + alias(adapter) + " -AddressFamily IPv4 ";
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
                ShellQuotes.isPattern(what)
                        ? "Get-NetFirewallRule | Where-Object { $_.DisplayName -eq " + rule
                                + " } | Remove-NetFirewallRule"
                        : "Remove-NetFirewallRule -DisplayName " + rule);
    }
}
