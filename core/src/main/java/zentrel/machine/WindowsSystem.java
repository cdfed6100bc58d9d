package zentrel.machine;

import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;

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
    MachineStep virtual(String adapter, HostAddress address) {
        return new MachineStep(
                "Add the virtual adapter " + adapter + " with " + address,
                "Device Manager · Action · Add legacy hardware · install manually · Network adapters · Microsoft ·"
                        + " loopback adapter. Call it " + adapter + " in Network connections, then give it "
                        + address.address() + ", mask " + address.mask() + ".",
                false,
                "Device Manager · Network adapters · the loopback adapter · Uninstall device.");
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
