package zentrel.entry;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import zentrel.plan.*;
import zentrel.profile.Direction;
import zentrel.profile.Merge;
import zentrel.profile.PortKind;
import zentrel.profile.Protocol;

/** What can be entered of what programs send and receive: streams, receivers and their ports. */
final class TrafficEntries {
    private static final int LAST_NUMBER = 65_535;
    private static final int LAST_PRIORITY = 200;
    private static final int MOST_SOURCES = 64;
    private static final double FASTEST = 1_000;

    private TrafficEntries() {}

    static List<Field<Stream>> stream() {
        return new FieldList<>(Kind.STREAM)
                .value(
                        "universe",
                        "Universe",
                        "universe",
                        Formats.reference(Kind.UNIVERSE),
                        Stream::universe,
                        Stream::withUniverse)
                .value(
                        "program",
                        "Sent by",
                        "application",
                        Formats.reference(Kind.APPLICATION),
                        Stream::application,
                        Stream::withApplication)
                .value(
                        "protocol",
                        "Protocol",
                        "protocol",
                        Formats.choice(List.of(Protocol.values()), Protocol::title, Format.Control.CHOICE),
                        Stream::protocol,
                        Stream::withProtocol)
                .setting("enabled", "Switched on", "enabled", Formats.ON, Stream::enabled, Stream::withEnabled)
                .value("standby", "Stands by", "standby", Formats.YES, Stream::standby, Stream::withStandby)
                .optional(
                        "label",
                        "Label in the program",
                        "label",
                        Formats.whole("A label", 0, LAST_NUMBER),
                        Stream::label,
                        Stream::withLabel)
                .optionalSetting(
                        "number",
                        "Number on the network",
                        "wire",
                        Formats.whole("A universe number", 0, LAST_NUMBER),
                        Stream::wire,
                        Stream::withWire)
                .value(
                        "delivery",
                        "Delivery",
                        "delivery",
                        Formats.word(Delivery.class),
                        Stream::delivery,
                        Stream::withDelivery)
                .value("to", "Unicast list", "to", Formats.list(NetworkFormats.ADDRESS), Stream::to, Stream::withTo)
                .setting(
                        "priority",
                        "sACN priority",
                        "priority",
                        Formats.whole("A priority", 0, LAST_PRIORITY),
                        Stream::priority,
                        Stream::withPriority)
                .value(
                        "rate",
                        "Packets a second",
                        "ratePerSecond",
                        Formats.decimal("A rate", FASTEST),
                        Stream::ratePerSecond,
                        Stream::withRatePerSecond)
                .value("preview", "Preview data", "preview", Formats.YES, Stream::preview, Stream::withPreview)
                .optional(
                        "sync",
                        "Waits for synchronisation on",
                        "sync",
                        Formats.whole("A universe of sACN", 1, Protocol.SACN.lastNumber()),
                        Stream::sync,
                        Stream::withSync)
                .optionalSetting(
                        "own-levels",
                        "Own levels beside its input",
                        "ownLevels",
                        Formats.ON,
                        Stream::ownLevels,
                        Stream::withOwnLevels)
                .all();
    }

    static List<Field<Receiver>> receiver() {
        FieldList<Receiver> list = new FieldList<>(Kind.RECEIVER)
                .value("name", "Name", "name", Formats.TEXT, Receiver::name, Receiver::withName)
                .value(
                        "program",
                        "Part of",
                        "application",
                        Formats.reference(Kind.APPLICATION),
                        Receiver::application,
                        Receiver::withApplication)
                .value(
                        "protocols",
                        "Protocols",
                        "protocols",
                        Formats.list(
                                Formats.choice(List.of(Protocol.values()), Protocol::title, Format.Control.CHOICE)),
                        r -> r.protocols().stream().sorted().toList(),
                        (r, p) -> r.withProtocols(Set.copyOf(new LinkedHashSet<>(p))))
                .setting("input", "Input", "inputOn", Formats.ON, Receiver::inputOn, Receiver::withInputOn)
                .value(
                        "answers-polls",
                        "Answers polls",
                        "answersPolls",
                        Formats.YES,
                        Receiver::answersPolls,
                        Receiver::withAnswersPolls)
                .value("merge", "Merges", "merge", Formats.word(Merge.class), Receiver::merge, Receiver::withMerge)
                .optional(
                        "sources",
                        "Sources at most",
                        "taking.sources",
                        Formats.whole("A number of sources", 1, MOST_SOURCES),
                        r -> r.taking().sources(),
                        (r, n) -> r.withTaking(r.taking().withSources(n)))
                .value(
                        "loss",
                        "When nothing comes any more",
                        "taking.loss",
                        Formats.word(Loss.class),
                        r -> r.taking().loss(),
                        (r, l) -> r.withTaking(r.taking().withLoss(l)));
        for (Protocol protocol : List.of(Protocol.ARTNET, Protocol.SACN)) {
            list.value(
                    protocol.word() + "-ranges",
                    "Receives of " + protocol.title(),
                    "taking.ranges",
                    NetworkFormats.RANGES,
                    r -> r.taking().of(protocol),
                    (r, ranges) -> r.withTaking(r.taking().withRanges(protocol, ranges)));
        }
        return list.all();
    }

    static List<Field<Port>> port() {
        return new FieldList<>(Kind.PORT)
                .value("name", "Name", "name", Formats.TEXT, Port::name, Port::withName)
                .value("kind", "Kind", "kind", Formats.word(PortKind.class), Port::kind, Port::withKind)
                .setting(
                        "direction",
                        "Direction",
                        "direction",
                        Formats.word(Direction.class),
                        Port::direction,
                        Port::withDirection)
                .setting("enabled", "Switched on", "enabled", Formats.ON, Port::enabled, Port::withEnabled)
                .setting(
                        "protocol",
                        "Protocol",
                        "protocol",
                        Formats.choice(List.of(Protocol.values()), Protocol::title, Format.Control.CHOICE),
                        Port::protocol,
                        Port::withProtocol)
                .optionalSetting(
                        "number",
                        "Number on the network",
                        "wire",
                        Formats.whole("A universe number", 0, LAST_NUMBER),
                        Port::wire,
                        Port::withWire)
                .optional(
                        "universe",
                        "Meant for",
                        "universe",
                        Formats.reference(Kind.UNIVERSE),
                        Port::universe,
                        Port::withUniverse)
                .all();
    }
}
