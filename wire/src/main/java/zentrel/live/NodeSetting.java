package zentrel.live;

import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import zentrel.found.FoundDevice;
import zentrel.found.FoundPort;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Loss;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.Protocol;

/**
 * What is to be set on a device; what is empty is left as it is.
 *
 * @param ports by number, counted through all pages from 1
 * @param failSafe what it does without a source
 * @param locate whether its lights blink so that it is found
 * @param address its address; set last
 */
public record NodeSetting(
        Optional<String> shortName,
        Optional<String> longName,
        Map<Integer, PortSetting> ports,
        Optional<Loss> failSafe,
        Optional<Boolean> locate,
        Optional<AddressSetting> address) {
    /** Leaves everything. */
    public static final NodeSetting NOTHING = new NodeSetting(
            Optional.empty(), Optional.empty(), Map.of(), Optional.empty(), Optional.empty(), Optional.empty());

    /** What a port is to be set to. */
    public record PortSetting(Optional<Numbered> universe, Optional<Direction> direction, Optional<Merge> merge) {
        /** Leaves everything. */
        public static final PortSetting NOTHING = new PortSetting(Optional.empty(), Optional.empty(), Optional.empty());

        public PortSetting withUniverse(Protocol protocol, int wire) {
            return new PortSetting(Optional.of(new Numbered(protocol, wire)), direction, merge);
        }

        public PortSetting withDirection(Direction value) {
            return new PortSetting(universe, Optional.of(value), merge);
        }

        public PortSetting withMerge(Merge value) {
            return new PortSetting(universe, direction, Optional.of(value));
        }
    }

    /** A universe by its number in a protocol. */
    public record Numbered(Protocol protocol, int wire) {}

    /**
     * What address a device is to have.
     *
     * @param fixed address and mask; empty where it is to ask a DHCP server
     */
    public record AddressSetting(Optional<Fixed> fixed) {
        /**
         * An address with its mask.
         *
         * @param gateway empty where it is left as it is
         */
        public record Fixed(Ipv4Address address, Ipv4Address mask, Optional<Ipv4Address> gateway) {}

        public static AddressSetting byDhcp() {
            return new AddressSetting(Optional.empty());
        }

        public static AddressSetting fixed(Ipv4Address address, Ipv4Address mask) {
            return new AddressSetting(Optional.of(new Fixed(address, mask, Optional.empty())));
        }

        /** The same with a gateway; nothing where the address comes by DHCP. */
        public AddressSetting withGateway(Optional<Ipv4Address> value) {
            return new AddressSetting(fixed.map(f -> new Fixed(f.address(), f.mask(), value)));
        }
    }

    public NodeSetting {
        ports = java.util.Collections.unmodifiableMap(new TreeMap<>(ports));
    }

    /** The same for a port besides. */
    public NodeSetting withPort(int number, PortSetting value) {
        Map<Integer, PortSetting> all = new TreeMap<>(ports);
        all.put(number, value);
        return new NodeSetting(shortName, longName, all, failSafe, locate, address);
    }

    public NodeSetting withNames(Optional<String> newShort, Optional<String> newLong) {
        return new NodeSetting(newShort, newLong, ports, failSafe, locate, address);
    }

    public NodeSetting withFailSafe(Loss value) {
        return new NodeSetting(shortName, longName, ports, Optional.of(value), locate, address);
    }

    public NodeSetting withLocate(boolean value) {
        return new NodeSetting(shortName, longName, ports, failSafe, Optional.of(value), address);
    }

    public NodeSetting withAddress(AddressSetting value) {
        return new NodeSetting(shortName, longName, ports, failSafe, locate, Optional.of(value));
    }

    public boolean isNothing() {
        return equals(NOTHING);
    }

    /**
     * What puts a device back to what it was, as far as it told.
     *
     * @param before the device before this was set
     * @param mask the mask that it had; it does not tell it in its answers to polls
     */
    public NodeSetting undoing(FoundDevice before, Optional<Ipv4Address> mask) {
        NodeSetting back =
                NOTHING.withNames(shortName.map(n -> before.shortName()), longName.map(n -> before.longName()));
        for (Map.Entry<Integer, PortSetting> each : ports.entrySet()) {
            Optional<FoundPort> was = before.port(each.getKey());
            if (was.isPresent()) {
                PortSetting set = each.getValue();
                back = back.withPort(
                        each.getKey(),
                        new PortSetting(
                                set.universe()
                                        .map(u -> new Numbered(
                                                was.get().protocol(), was.get().wire())),
                                set.direction().map(d -> was.get().direction()),
                                set.merge().map(m -> was.get().merge())));
            }
        }
        if (failSafe.isPresent() && before.loss() != Loss.NOT_KNOWN) {
            back = back.withFailSafe(before.loss());
        }
        if (locate.isPresent()) {
            back = back.withLocate(false);
        }
        if (address.isPresent()) {
            back = before.byDhcp()
                    ? back.withAddress(AddressSetting.byDhcp())
                    : mask.isPresent() ? back.withAddress(AddressSetting.fixed(before.address(), mask.get())) : back;
        }
        return back;
    }
}
