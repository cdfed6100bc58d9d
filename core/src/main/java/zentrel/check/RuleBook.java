package zentrel.check;

import java.util.List;
import java.util.Optional;

/** All rules, in the order of the work: addresses, adapters, universes, ports, patch, control, desks. */
public final class RuleBook {
    private static final List<Rule> RULES = List.of(
            new AddressDuplicate(),
            new AddressUnreachable(),
            new AddressMaskDiffers(),
            new AddressNotAHost(),
            new AddressNone(),
            new AddressLinkLocalMix(),
            new AddressInDhcpPool(),
            new DhcpTwoServers(),
            new AddressGateway(),
            new AddressSameSubnetTwice(),
            new AddressArtnetRange(),
            new AddressPublicRouted(),
            new AdapterWrong(),
            new AdapterAutomatic(),
            new AdapterLoopback(),
            new AdapterUnplugged(),
            new AdapterStaleSetting(),
            new AdapterPortShared(),
            new PowerOff(),
            new PowerSuppliesClash(),
            new PowerPoeBudget(),
            new CableMustBeDirect(),
            new DiscoveryNoReturn(),
            new HostFirewall(),
            new NetworkIsolated(),
            new NetworkVlan(),
            new NetworkMulticast(),
            new NetworkTtl(),
            new NetworkLoop(),
            new NetworkSlowPort(),
            new NetworkWirelessStream(),
            new NetworkLoad(),
            new ReceiverBroadcastLoad(),
            new PortProtocol(),
            new PortPage(),
            new UniverseRate(),
            new NetworkExposed(),
            new UniverseNoSource(),
            new UniverseNoReceiver(),
            new UniverseTwoSources(),
            new UniverseOneCid(),
            new UniverseOffByOne(),
            new UniverseNumbersDiffer(),
            new UniverseProtocolDiffers(),
            new UniverseNotEnabled(),
            new UniverseNotDelivered(),
            new UniverseNumberRange(),
            new UniverseOverLimit(),
            new UniversePreview(),
            new UniverseSync(),
            new PortDirection(),
            new PortDisabled(),
            new LineLoads(),
            new FixtureNotConnected(),
            new PatchOverlap(),
            new PatchPastEnd(),
            new PatchLineDiffers(),
            new ControlPortDiffers(),
            new ControlNotReceiving(),
            new ControlWrongTarget(),
            new ControlUnmatched(),
            new ControlNotSending(),
            new DeskVersionDiffers(),
            new DeskRemoteOutputs(),
            new DeskBackupOutranks(),
            new PrevisInputDiffers());

    private RuleBook() {}

    public static List<Rule> rules() {
        return RULES;
    }

    public static Optional<Rule> find(String id) {
        return RULES.stream().filter(r -> r.id().equals(id)).findFirst();
    }
}
