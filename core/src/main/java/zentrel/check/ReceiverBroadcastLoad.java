package zentrel.check;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.load.Load;
import zentrel.path.HopKind;
import zentrel.plan.*;
import zentrel.profile.OperatingSystem;
import zentrel.profile.Protocol;
import zentrel.source.Sources;

/** Broadcasts that a small device must all look at: {@code receiver.broadcast-load}. */
final class ReceiverBroadcastLoad extends PathRule {
    /** Packets a second that a small node still looks through. */
    private static final double MOST = Sources.SMALL_NODE_PACKETS.value();

    ReceiverBroadcastLoad() {
        super("receiver.broadcast-load");
    }

    @Override
    public boolean applies(CheckContext context) {
        return !context.plan().streams().isEmpty();
    }

    private static boolean toEverybody(Stream stream) {
        return stream.delivery() == Delivery.BROADCAST || stream.delivery() == Delivery.LIMITED_BROADCAST;
    }

    @Override
    Collection<Finding> unmet(CheckContext context) {
        List<Finding> findings = new ArrayList<>();
        for (Load.Link link : context.load().links()) {
            Host host = context.index().hostOf(link.adapter());
            if (link.in().everybody() > MOST && host.system() == OperatingSystem.FIRMWARE) {
                findings.add(unmet(
                                Severity.AT_RISK,
                                Optional.of(HopKind.TAKEN),
                                List.of(link.adapter()),
                                RuleWords.say(
                                        "receiver.broadcast-load.says",
                                        "device",
                                        host.name(),
                                        "packets",
                                        String.format(
                                                Locale.ROOT, "%.0f", link.in().everybody()),
                                        "most",
                                        String.format(Locale.ROOT, "%.0f", MOST)),
                                List.of(toThoseFound(context)))
                        .restingOn(Sources.SMALL_NODE_PACKETS));
            }
        }
        return findings;
    }

    private static Edit toThoseFound(CheckContext context) {
        return new Edit(RuleWords.say("receiver.broadcast-load.fix"), p -> {
            Plan next = p;
            for (Stream stream : context.plan().streams()) {
                if (toEverybody(stream) && stream.protocol() == Protocol.ARTNET) {
                    next = next.with(stream.id(), s -> s.withDelivery(Delivery.FOUND, List.of()));
                }
            }
            return next;
        });
    }
}
