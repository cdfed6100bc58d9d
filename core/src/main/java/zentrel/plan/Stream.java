package zentrel.plan;

import java.util.List;
import java.util.Optional;
import zentrel.ipv4.Ipv4Address;

/**
 * One source sending one universe by one protocol.
 *
 * @param enabled the switch for this universe
 * @param standby whether it holds until the primary stops
 * @param label what the application calls the universe; where not given, the show's number
 * @param wire the wire number, where it does not follow from the label and the application's ranges
 * @param to addresses, for {@link Delivery#UNICAST}
 * @param priority sACN priority 0–200 (ANSI E1.31-2018 §6.2.3)
 * @param ratePerSecond packets a second
 * @param preview whether its data must not reach live output (§6.2.6)
 */
public record Stream(
        StreamId id,
        ApplicationId application,
        UniverseId universe,
        Protocol protocol,
        Setting<Boolean> enabled,
        boolean standby,
        Optional<Integer> label,
        Optional<Setting<Integer>> wire,
        Delivery delivery,
        List<Ipv4Address> to,
        Setting<Integer> priority,
        double ratePerSecond,
        boolean preview) {
    public Stream {
        to = List.copyOf(to);
    }

    public Stream withEnabled(boolean value) {
        return new Stream(
                id,
                application,
                universe,
                protocol,
                Setting.of(value),
                standby,
                label,
                wire,
                delivery,
                to,
                priority,
                ratePerSecond,
                preview);
    }

    public Stream withWire(int value) {
        return new Stream(
                id,
                application,
                universe,
                protocol,
                enabled,
                standby,
                label,
                Optional.of(Setting.of(value)),
                delivery,
                to,
                priority,
                ratePerSecond,
                preview);
    }

    public Stream withDelivery(Delivery value, List<Ipv4Address> addresses) {
        return new Stream(
                id,
                application,
                universe,
                protocol,
                enabled,
                standby,
                label,
                wire,
                value,
                addresses,
                priority,
                ratePerSecond,
                preview);
    }

    public Stream withPriority(int value) {
        return new Stream(
                id,
                application,
                universe,
                protocol,
                enabled,
                standby,
                label,
                wire,
                delivery,
                to,
                Setting.of(value),
                ratePerSecond,
                preview);
    }

    public Stream withPreview(boolean value) {
        return new Stream(
                id,
                application,
                universe,
                protocol,
                enabled,
                standby,
                label,
                wire,
                delivery,
                to,
                priority,
                ratePerSecond,
                value);
    }

    public Stream withRate(double value) {
        return new Stream(
                id,
                application,
                universe,
                protocol,
                enabled,
                standby,
                label,
                wire,
                delivery,
                to,
                priority,
                value,
                preview);
    }
}
