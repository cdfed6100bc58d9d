package zentrel.live;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.packet.artnet.ArtAddress;
import zentrel.packet.artnet.ArtAddressCommand;
import zentrel.plan.Loss;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;
import zentrel.universe.PortAddress;

/** The packets that set a device, in an order in which each finds what it needs: directions and protocols before numbers. */
final class NodeSteps {
    private static final int SHORT_NAME_BYTES = 17;
    private static final int LONG_NAME_BYTES = 63;

    /**
     * One packet.
     *
     * @param what what it sets, in words
     */
    record Step(ArtAddress packet, String what) {}

    private final FoundDevice device;
    private final NodeSetting wanted;
    private final List<Step> steps = new ArrayList<>();

    private NodeSteps(FoundDevice device, NodeSetting wanted) {
        this.device = device;
        this.wanted = wanted;
    }

    /**
     * The packets, in order; those for the address are not among them.
     *
     * @throws IllegalArgumentException with a sentence, where the device cannot be set so
     */
    static List<Step> of(FoundDevice device, NodeSetting wanted) {
        NodeSteps making = new NodeSteps(device, wanted);
        making.names();
        wanted.ports().forEach(making::commands);
        making.numbers();
        wanted.failSafe().ifPresent(making::failSafe);
        wanted.locate()
                .ifPresent(on -> making.command(
                        1,
                        (on ? ArtAddressCommand.INDICATORS_LOCATE : ArtAddressCommand.INDICATORS_NORMAL).value(),
                        on ? "its lights blink" : "its lights as usual"));
        return making.steps;
    }

    private void names() {
        wanted.shortName().ifPresent(n -> requireName("A short name", n, SHORT_NAME_BYTES));
        wanted.longName().ifPresent(n -> requireName("A long name", n, LONG_NAME_BYTES));
        if (wanted.shortName().isPresent() || wanted.longName().isPresent()) {
            String words = List.of(
                            wanted.shortName().map(n -> "short name " + n),
                            wanted.longName().map(n -> "long name " + n))
                    .stream()
                    .flatMap(Optional::stream)
                    .collect(Collectors.joining(", "));
            steps.add(new Step(
                    ArtAddress.keeping(1)
                            .withNames(
                                    wanted.shortName().orElse(""),
                                    wanted.longName().orElse("")),
                    words));
        }
    }

    private static void requireName(String what, String name, int most) {
        int length = name.getBytes(StandardCharsets.UTF_8).length;
        if (length < 1 || length > most) {
            throw new IllegalArgumentException(
                    what + " has 1 to " + most + " bytes, and \"" + name + "\" has " + length + ".");
        }
    }

    private FoundPort port(int number) {
        return device.port(number)
                .orElseThrow(() -> new IllegalArgumentException(device.title() + " has no port " + number
                        + "; its answers name "
                        + (device.ports().isEmpty() ? "none." : device.ports().size() + ".")));
    }

    private void commands(int number, NodeSetting.PortSetting set) {
        FoundPort port = port(number);
        set.direction().filter(d -> d != port.direction()).ifPresent(d -> {
            ArtAddressCommand command =
                    d == Direction.OUTPUT ? ArtAddressCommand.DIRECTION_OUTPUT : ArtAddressCommand.DIRECTION_INPUT;
            command(port.page(), command.of(port.index()), "port " + number + " " + d.word());
        });
        set.universe()
                .map(NodeSetting.Numbered::protocol)
                .filter(p -> p != port.protocol())
                .ifPresent(p -> {
                    ArtAddressCommand command = p == Protocol.SACN ? ArtAddressCommand.SACN : ArtAddressCommand.ARTNET;
                    command(port.page(), command.of(port.index()), "port " + number + " to " + p.title());
                });
        set.merge().ifPresent(m -> {
            if (m == Merge.NONE) {
                throw new IllegalArgumentException("A port merges by HTP or LTP; ArtAddress knows no other way.");
            }
            if (m != port.merge()) {
                ArtAddressCommand command = m == Merge.LTP ? ArtAddressCommand.MERGE_LTP : ArtAddressCommand.MERGE_HTP;
                command(port.page(), command.of(port.index()), "port " + number + " merges by " + m);
            }
        });
    }

    private void command(int page, int value, String what) {
        steps.add(new Step(ArtAddress.keeping(page).withCommand(value), what));
    }

    /** Every page once: its ports share one Net and Sub-Net, so all that are set on it go together. */
    private void numbers() {
        Set<Integer> pages = new TreeSet<>();
        wanted.ports().forEach((number, set) -> {
            if (set.universe().isPresent()) {
                pages.add(port(number).page());
            }
        });
        for (int page : pages) {
            ArtAddress packet = ArtAddress.keeping(page);
            List<String> words = new ArrayList<>();
            List<FoundPort> onPage =
                    device.ports().stream().filter(p -> p.page() == page).toList();
            int netAndSubNet = netAndSubNet(onPage);
            for (FoundPort port : onPage) {
                Optional<NodeSetting.Numbered> number = number(port);
                int wire = number.map(NodeSetting.Numbered::wire).orElse(port.wire());
                if (wire >> 4 != netAndSubNet) {
                    throw new IllegalArgumentException("Ports "
                            + onPage.stream().map(p -> "" + p.number()).collect(Collectors.joining(", "))
                            + " share one Net and Sub-Net, so they take numbers from " + netAndSubNet * 16 + " to "
                            + (netAndSubNet * 16 + 15) + "; port " + port.number() + " is at " + wire
                            + ". Set all of them to one block of sixteen.");
                }
                if (number.isPresent()) {
                    boolean output = direction(port) == Direction.OUTPUT;
                    packet = packet.withPort(port.index(), output, new PortAddress(wire));
                    words.add("port " + port.number() + " to "
                            + number.get().protocol().title() + " " + wire);
                }
            }
            steps.add(new Step(packet, String.join(", ", words)));
        }
    }

    private Direction direction(FoundPort port) {
        return Optional.ofNullable(wanted.ports().get(port.number()))
                .flatMap(NodeSetting.PortSetting::direction)
                .orElse(port.direction());
    }

    private Optional<NodeSetting.Numbered> number(FoundPort port) {
        return Optional.ofNullable(wanted.ports().get(port.number())).flatMap(NodeSetting.PortSetting::universe);
    }

    private int netAndSubNet(List<FoundPort> onPage) {
        for (FoundPort port : onPage) {
            Optional<NodeSetting.Numbered> number = number(port);
            if (number.isPresent()) {
                int wire = number.get().wire();
                if (wire < 0 || wire > PortAddress.LAST) {
                    throw new IllegalArgumentException("ArtAddress sets numbers from 0 to " + PortAddress.LAST
                            + ", not " + wire + "; set port " + port.number() + " on the device itself.");
                }
                return wire >> 4;
            }
        }
        throw new IllegalStateException("A page without a number to set.");
    }

    private void failSafe(Loss loss) {
        ArtAddressCommand command = switch (loss) {
            case HOLD -> ArtAddressCommand.FAILSAFE_HOLD;
            case BLACK -> ArtAddressCommand.FAILSAFE_ZERO;
            case FULL -> ArtAddressCommand.FAILSAFE_FULL;
            case SCENE -> ArtAddressCommand.FAILSAFE_SCENE;
            case NOT_KNOWN -> throw new IllegalArgumentException("A fail-safe is hold, zero, full or scene.");
        };
        command(1, command.value(), "without a source it " + loss.words());
    }

    /** What of the settings a device does not have, in words; empty where it has all. */
    static List<String> missing(FoundDevice now, NodeSetting wanted) {
        List<String> all = new ArrayList<>();
        check(all, "short name", wanted.shortName().map(n -> n), now.shortName());
        check(all, "long name", wanted.longName().map(n -> n), now.longName());
        for (Map.Entry<Integer, NodeSetting.PortSetting> each : wanted.ports().entrySet()) {
            Optional<FoundPort> port = now.port(each.getKey());
            String name = "port " + each.getKey();
            if (port.isEmpty()) {
                all.add(name + " is not told of");
                continue;
            }
            NodeSetting.PortSetting set = each.getValue();
            check(
                    all,
                    name + " universe",
                    set.universe(),
                    new NodeSetting.Numbered(port.get().protocol(), port.get().wire()));
            check(all, name + " direction", set.direction(), port.get().direction());
            check(all, name + " merge", set.merge(), port.get().merge());
        }
        check(all, "fail-safe", wanted.failSafe(), now.loss());
        return all;
    }

    private static <T> void check(List<String> all, String what, Optional<T> wanted, T has) {
        if (wanted.isPresent() && !wanted.get().equals(has)) {
            all.add(what + " is " + shown(has) + ", not " + shown(wanted.get()));
        }
    }

    private static String shown(Object value) {
        return value instanceof NodeSetting.Numbered n
                ? n.protocol().title() + " " + n.wire()
                : value instanceof zentrel.text.Word w ? w.word() : String.valueOf(value);
    }
}
