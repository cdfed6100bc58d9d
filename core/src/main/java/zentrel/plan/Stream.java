package zentrel.plan;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import java.util.Optional;
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
 * @param ownLevels whether a console sends levels of its own in this universe beside those of its input; empty where what it says of the
 *     whole protocol holds
 */
@RecordBuilder
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
        Optional<Integer> sync,
        Optional<Setting<Boolean>> ownLevels)
        implements StreamBuilder.With {
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
                Optional.empty(),
                Optional.empty());
    }

    public Stream {
        to = List.copyOf(to);
    }

    public Stream withEnabled(boolean value) {
        return withEnabled(Setting.of(value));
    }

    public Stream withWire(int value) {
        return withWire(Optional.of(Setting.of(value)));
    }

    public Stream withDelivery(Delivery value, List<Ipv4Address> addresses) {
        return withDelivery(value).withTo(addresses);
    }

    public Stream withPriority(int value) {
        return withPriority(Setting.of(value));
    }

    public Stream withRate(double value) {
        return withRatePerSecond(value);
    }

    /** This stream with its settings replaced. */
    public Stream withSettings(Setting<Boolean> on, Optional<Setting<Integer>> number, Setting<Integer> rank) {
        return withEnabled(on).withWire(number).withPriority(rank);
    }
}
