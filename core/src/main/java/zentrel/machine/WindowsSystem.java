package zentrel.machine;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

/** Windows, by PowerShell as administrator. */
final class WindowsSystem implements MachineSystem {
    private static String name(String adapter) {
        return Quoting.powerShell(adapter);
    }

    private static String set(String adapter, HostAddress address, Optional<Ipv4Address> gateway) {
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

    private static String dhcp(String adapter) {
        return clear(adapter) + "; Set-NetIPInterface -InterfaceAlias " + name(adapter)
                + " -AddressFamily IPv4 -Dhcp Enabled";
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
        return new MachineStep("Ask again for an address of " + adapter, "ipconfig /renew " + name(adapter), true, "");
    }

    @Override
    public MachineStep second(String adapter, HostAddress address) {
        return new MachineStep(
                "Give " + adapter + " " + address + " as well",
                "New-NetIPAddress -InterfaceAlias " + name(adapter) + " -IPAddress " + address.address()
                        + " -PrefixLength " + address.prefixLength() + " -SkipAsSource $true",
                true,
                "Remove-NetIPAddress -InterfaceAlias " + name(adapter) + " -IPAddress " + address.address()
                        + " -Confirm:$false");
    }

    @Override
    public MachineStep rename(String from, String to) {
        return new MachineStep(
                "Call the adapter " + to,
                "Rename-NetAdapter -Name " + name(from) + " -NewName " + name(to),
                true,
                "Rename-NetAdapter -Name " + name(to) + " -NewName " + name(from));
    }

    @Override
    public MachineStep off(String adapter) {
        return new MachineStep(
                "Switch " + adapter + " off",
                "Disable-NetAdapter -Name " + name(adapter) + " -Confirm:$false",
                true,
                "Enable-NetAdapter -Name " + name(adapter));
    }

    @Override
    public MachineStep virtual(String adapter, HostAddress address) {
        return new MachineStep(
                "Add the virtual adapter " + adapter + " with " + address,
                "Device Manager · Action · Add legacy hardware · install manually · Network adapters · Microsoft ·"
                        + " loopback adapter. Call it " + adapter + " in Network connections, then give it "
                        + address.address() + ", mask " + address.mask() + ".",
                false,
                "Device Manager · Network adapters · the loopback adapter · Uninstall device.");
    }

    @Override
    public MachineStep letIn(String what, int port) {
        String rule = name("Show network " + what + " in");
        return new MachineStep(
                "Let " + what + " in through the firewall",
                "New-NetFirewallRule -DisplayName " + rule + " -Direction Inbound -Protocol UDP -LocalPort " + port
                        + " -Action Allow -Profile Any",
                true,
                "Remove-NetFirewallRule -DisplayName " + rule);
    }
}
