package zentrel.check;

import java.util.List;
import java.util.Optional;
import zentrel.plan.Stream;

/** All rules, in the order of the work: addresses, adapters, universes, ports, patch, control, desks. */
public final class RuleBook {
    /** A rule that only reports what paths meet is a line here; one that looks further has a class of its own. */
    private static final List<Rule> RULES = List.of(
            new AddressDuplicate(),
            new PathRule("address.unreachable"),
            new AddressMaskDiffers(),
            new AddressNotAHost(),
            new PathRule("address.none"),
            new AddressLinkLocalMix(),
            new AddressInDhcpPool(),
            new DhcpTwoServers(),
            new AddressGateway(),
            new AddressSameSubnetTwice(),
            new AddressArtnetRange(),
            new AddressPublicRouted(),
            new PathRule("adapter.wrong"),
            new PathRule("adapter.automatic"),
            new PathRule("adapter.loopback"),
            new PathRule("program.not-running"),
            new PathRule("program.not-ready", RuleBook::anyStream),
            new PathRule("program.address-range"),
            new PathRule("universe.no-local-copy", RuleBook::anyStream),
            new PathRule("universe.own-levels", RuleBook::anyStream),
            new PathRule("adapter.unplugged"),
            new AdapterStaleSetting(),
            new AdapterPortShared(),
            new PathRule("power.off", RuleBook::anyDevice),
            new PowerSuppliesClash(),
            new PowerPoeBudget(),
            new PowerVolts(),
            new CableMustBeDirect(),
            new PathRule("discovery.no-return", RuleBook::anyStream),
            new PathRule("host.firewall"),
            new PathRule("network.isolated"),
            new PathRule("network.vlan", c -> c.has(Trait.VLAN)),
            new PathRule("network.multicast", c -> c.has(Trait.SNOOPS)),
            new PathRule("network.ttl", c -> c.signalPaths().any() && c.has(Trait.ROUTES)),
            new NetworkLoop(),
            new PathRule("network.slow-port", c -> c.has(Trait.SOCKET_SPEED)),
            new NetworkWirelessStream(),
            new NetworkLoad(),
            new ReceiverBroadcastLoad(),
            new PortProtocol(),
            new PortPage(),
            new UniverseRate(),
            new NetworkExposed(),
            new PathRule("universe.no-source", RuleBook::anyUniverse),
            new UniverseNoReceiver(),
            new PathRule("universe.two-sources", RuleBook::anyStream),
            new UniverseOneCid(),
            new PathRule("universe.off-by-one", RuleBook::anyPort),
            new PathRule("universe.numbers-differ", RuleBook::anyPort),
            new PathRule("universe.protocol-differs", RuleBook::anyPort),
            new PathRule("universe.not-enabled", RuleBook::anyStream),
            new PathRule("universe.not-delivered", RuleBook::anyStream),
            new PathRule("universe.number-range", RuleBook::anyStream),
            new PathRule("universe.over-limit", RuleBook::anyLimit),
            new PathRule("universe.preview", RuleBook::anyStream),
            new PathRule("universe.sync", RuleBook::anySync),
            new PathRule("port.direction", RuleBook::anyPort),
            new PathRule("port.disabled", RuleBook::anyPort),
            new LineLoads(),
            new PathRule("fixture.not-connected", RuleBook::anyFixture),
            new PathRule("patch.overlap", RuleBook::anyFixture),
            new PathRule("patch.past-end", RuleBook::anyFixture),
            new PathRule("patch.line-differs", RuleBook::anyFixture),
            new PatchDiffers(PatchDiffers.OTHERS),
            new PatchDiffers(PatchDiffers.MODES),
            new PixelOverOutput(),
            new PixelSplitDiffers(),
            new PixelSlow(),
            new PixelSupplyTooSmall(),
            new PathRule("control.transport-differs", RuleBook::anyLink),
            new PathRule("control.port-differs", RuleBook::anyLink),
            new PathRule("control.not-receiving", RuleBook::anyLink),
            new PathRule("control.wrong-target", RuleBook::anyLink),
            new PathRule("control.unmatched", RuleBook::anyLink),
            new PathRule("control.not-sending", RuleBook::anyLink),
            new PathRule("desk.version-differs", c -> anySession(c) || anyAttachment(c)),
            new PathRule("desk.session-differs", RuleBook::anySession),
            new PathRule("desk.start-order", RuleBook::anySession),
            new DeskTwoMains(),
            new PathRule("desk.remote-outputs", RuleBook::anySession),
            new PathRule("desk.backup-outranks", RuleBook::anySession),
            new PathRule("previs.input-differs", RuleBook::anyAttachment));

    private RuleBook() {}

    public static List<Rule> rules() {
        return RULES;
    }

    public static Optional<Rule> find(String id) {
        return RULES.stream().filter(r -> r.id().equals(id)).findFirst();
    }

    // what a plan must have for a rule to apply

    private static boolean anyStream(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }

    private static boolean anyUniverse(CheckContext context) {
        return !context.plan().universes().isEmpty();
    }

    private static boolean anyPort(CheckContext context) {
        return context.plan().receivers().stream().anyMatch(r -> !r.ports().isEmpty());
    }

    private static boolean anyDevice(CheckContext context) {
        return !context.plan().hosts().isEmpty();
    }

    private static boolean anyFixture(CheckContext context) {
        return !context.plan().fixtures().isEmpty();
    }

    private static boolean anyLink(CheckContext context) {
        return !context.plan().links().isEmpty();
    }

    private static boolean anySession(CheckContext context) {
        return !context.plan().sessions().isEmpty();
    }

    private static boolean anyAttachment(CheckContext context) {
        return !context.plan().attachments().isEmpty();
    }

    private static boolean anySync(CheckContext context) {
        for (Stream stream : context.plan().streams()) {
            if (stream.sync().isPresent()) { // a plain loop: most rigs have none, and all are asked
                return true;
            }
        }
        return false;
    }

    private static boolean anyLimit(CheckContext context) {
        return !context.plan().profiles().isEmpty()
                && context.plan().applications().stream()
                        .anyMatch(a -> context.index()
                                .profileOf(a)
                                .filter(p -> !p.limits().isEmpty())
                                .isPresent());
    }
}
