package zentrel.path.fix;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.path.Facts;
import zentrel.path.Issue;
import zentrel.path.PathContext;
import zentrel.plan.*;
import zentrel.profile.PortKind;
import zentrel.profile.ProfileLimit;
import zentrel.profile.Protocol;

/** Fixes at the two ends of a universe: whether it is sent, and whether anything receives it. */
final class SourceFixes {
    /** Free ports that are offered for a universe that no port receives. */
    private static final int MOST_PORTS = 4;

    private final PathContext context;
    private final Remedies remedies;
    private final NeedFixes needs;

    SourceFixes(PathContext context, Remedies remedies) {
        this.context = context;
        this.remedies = remedies;
        this.needs = new NeedFixes(context, remedies);
    }

    List<Edit> of(Issue issue) {
        Facts facts = issue.facts();
        return switch (issue.reason()) {
            case NO_SOURCE ->
                facts.find("port", Port.class)
                        .map(port -> sendLikeOthers(facts.get("universe", Universe.class), port))
                        .orElse(List.of());
            case SOURCE_OFF ->
                List.of(
                        facts.is("universe")
                                ? remedies.enable(facts.get("stream", Stream.class))
                                : remedies.enableOutput(
                                        facts.get("program", Application.class),
                                        facts.get("protocol", Protocol.class)));
            case LABEL_NOT_COVERED ->
                List.of(remedies.setStreamWire(facts.get("stream", Stream.class), facts.number("wire")));
            case STANDS_BY -> standsBy(facts);
            case NUMBER_RANGE -> numberRange(facts);
            case OVER_LIMIT, LIMIT_NOT_KNOWN -> overLimit(facts);
            case LICENCE_MISSING, SESSION_MISSING, NOT_ALONE, OUTPUT_STOPPED -> needs.of(issue);
            case NO_RECEIVER -> sparePorts(facts.get("universe", Universe.class));
            case SILENT ->
                facts.find("address", HostAddress.class)
                        .map(a -> List.of(remedies.addToList(facts.get("stream", Stream.class), a.address())))
                        .orElse(List.of());
            case NOT_RUNNING, FAR_NOT_RUNNING -> List.of(remedies.start(facts.get("program", Application.class)));
            case NO_LOCAL_COPY ->
                List.of(remedies.alsoHere(
                        facts.get("program", Application.class), facts.get("protocol", Protocol.class)));
            case OWN_LEVELS ->
                facts.get("stream", Stream.class).ownLevels().isPresent()
                        ? List.of(remedies.noOwnLevels(facts.get("stream", Stream.class)))
                        : List.of(
                                remedies.noOwnLevels(
                                        facts.get("program", Application.class), facts.get("protocol", Protocol.class)),
                                remedies.noOwnLevels(facts.get("stream", Stream.class)));
            case INPUT_OFF -> List.of(remedies.inputOn(facts.get("receiver", Receiver.class)));
            case NOT_TAKEN ->
                List.of(remedies.takeAlso(
                        facts.get("receiver", Receiver.class),
                        facts.get("protocol", Protocol.class),
                        facts.number("wire")));
            default -> throw new IllegalArgumentException("No fix of a source for " + issue.reason());
        };
    }

    private List<Edit> standsBy(Facts facts) {
        List<Edit> edits = new ArrayList<>();
        facts.list("primaries", Stream.class).stream().findFirst().ifPresent(p -> edits.add(remedies.send(p)));
        edits.add(remedies.sendItself(facts.get("stream", Stream.class)));
        return edits;
    }

    private List<Edit> numberRange(Facts facts) {
        Stream stream = facts.get("stream", Stream.class);
        Port port = facts.get("port", Port.class);
        Protocol protocol = facts.get("protocol", Protocol.class);
        int number = facts.get("universe", Universe.class).number();
        List<Edit> edits = new ArrayList<>();
        port.wire()
                .map(Setting::inForce)
                .filter(protocol::carries)
                .ifPresent(w -> edits.add(remedies.setStreamWire(stream, w)));
        if (protocol.carries(number)) {
            edits.add(remedies.setStreamWire(stream, number)
                    .and(remedies.setPortWire(port, number).change()));
        }
        return edits;
    }

    /** What the profile of the program says that it needs to send as many. */
    private List<Edit> overLimit(Facts facts) {
        Application application = facts.get("program", Application.class);
        List<Edit> edits = new ArrayList<>();
        context.index().profileOf(application).ifPresent(profile -> {
            for (ProfileLimit limit : profile.limits()) {
                if (limit.protocol() == facts.get("protocol", Protocol.class)
                        && limit.universes() >= facts.number("needed")
                        && !limit.condition().isEmpty()) {
                    edits.add(new Edit(
                            "Get " + context.index().name(application.id()) + " " + limit.condition(),
                            p -> p.with(application.id(), a -> met(a, limit))));
                }
            }
        });
        return edits;
    }

    private static Application met(Application application, ProfileLimit limit) {
        Application met = limit.fromVersion().map(application::withVersion).orElse(application);
        Installed installed = met.installed();
        if (limit.licence().isPresent()) {
            installed = installed.withLicence(limit.licence().map(Setting::of));
        }
        if (limit.attached().isPresent()
                && !installed.attached().contains(limit.attached().get())) {
            List<String> attached = new ArrayList<>(installed.attached());
            attached.add(limit.attached().get());
            installed = installed.withAttached(attached);
        }
        return met.withInstalled(installed);
    }

    /** Lets the application that sends most of the plan send this universe too. */
    private List<Edit> sendLikeOthers(Universe universe, Port port) {
        Protocol protocol = port.protocol().inForce();
        Optional<Stream> model = context.plan().streams().stream()
                .filter(s -> s.protocol() == protocol && s.enabled().inForce() && !s.standby())
                .findFirst();
        int wire = port.wire().map(Setting::inForce).filter(protocol::carries).orElse(universe.number());
        if (model.isEmpty() || !protocol.onNetwork() || !protocol.carries(wire)) {
            return List.of();
        }
        Stream like = model.get();
        String free = Ids.free(
                context.plan(), like.application().value() + "-" + universe.id().value() + "-" + protocol.word());
        Delivery delivery = like.delivery() == Delivery.UNICAST
                ? (protocol == Protocol.SACN ? Delivery.MULTICAST : Delivery.BROADCAST)
                : like.delivery();
        Stream added = new Stream(
                Kind.STREAM.id(free),
                like.application(),
                universe.id(),
                protocol,
                Setting.of(true),
                false,
                Optional.empty(),
                Optional.of(Setting.of(wire)),
                delivery,
                List.of(),
                like.priority(),
                like.ratePerSecond(),
                false);
        return List.of(new Edit(
                "Send " + universe.label() + " from " + context.index().name(like.application()) + " by "
                        + protocol.title() + " as " + wire,
                p -> p.and(Kind.STREAM, added)));
    }

    /** Spare ports that could receive a universe. */
    private List<Edit> sparePorts(Universe universe) {
        Optional<Stream> stream = context.index().streamsOf(universe.id()).stream()
                .filter(s -> s.enabled().inForce())
                .findFirst();
        if (stream.isEmpty()) {
            return List.of();
        }
        Optional<Integer> wire = context.index().wireOf(stream.get());
        Protocol protocol = stream.get().protocol();
        List<Edit> edits = new ArrayList<>();
        for (Receiver receiver : context.plan().receivers()) {
            for (Port port : receiver.ports()) {
                boolean spare = context.index().universesOf(port.id()).isEmpty()
                        && port.kind() == PortKind.DMX
                        && receiver.protocols().contains(protocol);
                if (spare && wire.isPresent() && edits.size() < MOST_PORTS) {
                    edits.add(new Edit(
                            "Set " + context.index().name(port.id()) + " to " + universe.label() + ", "
                                    + protocol.title() + " " + wire.get(),
                            p -> p.with(port.id(), x -> x.puttingOut(universe.id(), protocol, wire.get()))));
                }
            }
        }
        return edits;
    }
}
