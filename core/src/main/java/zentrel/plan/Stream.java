package zentrel.plan;

import java.util.List;
import java.util.Optional;
import java.util.function.Consumer;
import zentrel.ipv4.Ipv4Address;
import zentrel.profile.Protocol;

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
 * @param sync the sACN universe whose synchronisation packets its data waits for (§6.2.4); empty where it waits for none
 */
public record Stream(
        Id<Stream> id,
        Id<Application> application,
        Id<Universe> universe,
        Protocol protocol,
        Setting<Boolean> enabled,
        boolean standby,
        Optional<Integer> label,
        Optional<Setting<Integer>> wire,
        Delivery delivery,
        List<Ipv4Address> to,
        Setting<Integer> priority,
        double ratePerSecond,
        boolean preview,
        Optional<Integer> sync) {
    /** A stream that waits for no synchronisation. */
    public Stream(
            Id<Stream> id,
            Id<Application> application,
            Id<Universe> universe,
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
        this(
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
                preview,
                Optional.empty());
    }

    public Stream {
        to = List.copyOf(to);
    }

    public Stream withEnabled(boolean value) {
        return with(d -> d.enabled = Setting.of(value));
    }

    public Stream withWire(int value) {
        return with(d -> d.wire = Optional.of(Setting.of(value)));
    }

    public Stream withDelivery(Delivery value, List<Ipv4Address> addresses) {
        return with(d -> {
            d.delivery = value;
            d.to = addresses;
        });
    }

    public Stream withPriority(int value) {
        return with(d -> d.priority = Setting.of(value));
    }

    public Stream withPreview(boolean value) {
        return with(d -> d.preview = value);
    }

    public Stream withRate(double value) {
        return with(d -> d.ratePerSecond = value);
    }

    public Stream withSync(Optional<Integer> value) {
        return with(d -> d.sync = value);
    }

    public Stream withStandby(boolean value) {
        return with(d -> d.standby = value);
    }

    /** This stream with its settings replaced. */
    public Stream withSettings(Setting<Boolean> on, Optional<Setting<Integer>> number, Setting<Integer> rank) {
        return with(d -> {
            d.enabled = on;
            d.wire = number;
            d.priority = rank;
        });
    }

    /** A copy that may be changed, before it is a value again. */
    private static final class Draft {
        private Id<Stream> id;
        private Id<Application> application;
        private Id<Universe> universe;
        private Protocol protocol;
        private Setting<Boolean> enabled;
        private boolean standby;
        private Optional<Integer> label;
        private Optional<Setting<Integer>> wire;
        private Delivery delivery;
        private List<Ipv4Address> to;
        private Setting<Integer> priority;
        private double ratePerSecond;
        private boolean preview;
        private Optional<Integer> sync;

        private Draft(Stream from) {
            id = from.id;
            application = from.application;
            universe = from.universe;
            protocol = from.protocol;
            enabled = from.enabled;
            standby = from.standby;
            label = from.label;
            wire = from.wire;
            delivery = from.delivery;
            to = from.to;
            priority = from.priority;
            ratePerSecond = from.ratePerSecond;
            preview = from.preview;
            sync = from.sync;
        }
    }

    private Stream with(Consumer<Draft> change) {
        Draft d = new Draft(this);
        change.accept(d);
        return new Stream(
                d.id,
                d.application,
                d.universe,
                d.protocol,
                d.enabled,
                d.standby,
                d.label,
                d.wire,
                d.delivery,
                d.to,
                d.priority,
                d.ratePerSecond,
                d.preview,
                d.sync);
    }
}
