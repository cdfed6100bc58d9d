package zentrel.path;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.Consumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;
import zentrel.profile.ApplicationKind;
import zentrel.profile.PortKind;

/**
 * Finds and judges the paths of one plan. What is worked out is kept, so ask one instance for all; any number of threads
 * may.
 */
public final class SignalPaths {
    /** Bridges one after the other that are followed; more of them are a ring. */
    private static final int MOST_BRIDGES = 4;

    /** The protocol of a path between desks, as {@link SignalPath#protocol}. */
    public static final String SESSION = "session";

    private final PathContext context;
    private final KeptReads kept;
    private final PatchJudge patch;
    private final UniversePaths universes;
    private final FlowJudge flows;
    private final MissingEnds missing;
    private final LinkJudge links;
    private final AttachmentJudge attachments;
    private final SessionJudge sessions;
    private volatile @Nullable List<SignalPath> linkPaths;
    private volatile @Nullable PathReport last;

    public SignalPaths(Plan plan) {
        this(plan, Optional.empty());
    }

    /** The paths of a plan that came of an edit; what the edit cannot have changed is taken over. */
    public SignalPaths(Plan plan, SignalPaths before) {
        this(plan, Optional.of(before));
    }

    private SignalPaths(Plan plan, Optional<SignalPaths> before) {
        context = new PathContext(CableLayout.inForce(plan), before.map(b -> b.context));
        Reads.Marks marks = new Reads.Marks();
        Optional<SignalPaths> known =
                before.filter(b -> !b.kept.isFull() && context.mark(b.context, b.kept.questions(), marks));
        if (known.isPresent()) {
            kept = known.get().kept;
            patch = new PatchJudge(context, kept, known.get().patch, marks);
            patch.mark(known.get().patch, marks);
            universes = new UniversePaths(context.plan, kept, this::judged, known.get().universes, marks);
        } else {
            kept = new KeptReads();
            patch = new PatchJudge(context, kept);
            universes = new UniversePaths(context.plan, kept, this::judged);
        }
        TransportJudge transport = new TransportJudge(context);
        flows = new FlowJudge(context, transport, patch);
        missing = new MissingEnds(context, patch);
        links = new LinkJudge(context, transport);
        attachments = new AttachmentJudge(context, transport);
        sessions = new SessionJudge(context, transport);
    }

    public Plan plan() {
        return context.plan;
    }

    /**
     * Whether something that was read gives the same as in other paths.
     *
     * @param key as it was noted by these paths, their index or their plan
     */
    public boolean isSame(Object key, SignalPaths other) {
        return context.isSame(key, other.context);
    }

    /** Whether a device has power, as far as its feed is described. */
    public boolean hasPower(Host host) {
        return context.hasPower(host);
    }

    /** What the judging knows of the whole plan. */
    public PathContext context() {
        return context;
    }

    /** The subnet usual on a segment: as settled, else the one that most adapters share. */
    public Optional<Subnet> usualSubnet(Id<Segment> segment) {
        return context.usualSubnet(segment);
    }

    /** The addresses that several adapters of a segment have now, and who. */
    public SortedMap<Ipv4Address, List<Adapter>> sharedAddresses(Id<Segment> segment) {
        return context.sharedOn(segment);
    }

    /** The paths of whatever has this id: a fixture, universe or link, or all that a port, stream, application or host has part in. */
    public PathReport of(Id<?> id) {
        Reads.note(Reads.ANYTHING);
        PathReport known = last;
        if (known == null || !known.subject().equals(id)) {
            known = worked(id);
            last = known; // several parts of a window ask for the same thing one after the other
        }
        return known;
    }

    /** The paths that something has part in, by its kind. */
    private static final ByKind<Function<SignalPaths, List<SignalPath>>> PATHS = new ByKind<
                    Function<SignalPaths, List<SignalPath>>>()
            .with(Kind.FIXTURE, (index, f) -> p -> p.ofFixture(f.id()).paths())
            .with(Kind.UNIVERSE, (index, u) -> p -> p.ofUniverse(u.id()).paths())
            .with(Kind.LINK, (index, l) -> p -> p.ofLink(l.id()).paths())
            .with(Kind.ATTACHMENT, (index, a) -> p -> p.ofAttachment(a.id()).paths())
            .with(Kind.SESSION, (index, s) -> p -> p.ofSession(s.id()).paths())
            .with(Kind.PORT, (index, port) -> p -> p.atPort(port))
            .with(Kind.LINE, (index, l) -> p -> p.atPort(index.port(l.port())))
            .with(Kind.STREAM, (index, s) -> p -> p.collected(all -> p.addStream(all, s)))
            .with(Kind.RECEIVER, (index, r) -> p -> p.collected(all -> r.ports().forEach(port -> p.addPort(all, port))))
            .with(Kind.APPLICATION, (index, a) -> p -> p.collected(all -> p.addApplication(all, a)))
            .with(Kind.HOST, (index, h) -> p -> p.ofDevice(h.id()))
            .with(
                    Kind.PIXEL_RUN,
                    (index, r) ->
                            p -> r.fixture().map(f -> p.ofFixture(f).paths()).orElse(List.of()))
            .with(
                    Kind.PIXEL_OUTPUT,
                    (index, o) -> p -> p.collected(all -> o.ports().forEach(port -> p.addPort(all, index.port(port)))))
            .with(
                    Kind.ADAPTER,
                    (index, a) -> p -> p.ofDevice(index.hostOf(a.id()).id()));

    private PathReport worked(Id<?> id) {
        if (context.index.find(id).isEmpty()) {
            throw new IllegalArgumentException("The plan has nothing called \"" + id.value() + "\".");
        }
        return PathReport.of(
                id, PATHS.of(context.index, id).map(paths -> paths.apply(this)).orElse(List.of()));
    }

    private List<SignalPath> collected(Consumer<List<SignalPath>> from) {
        List<SignalPath> paths = new ArrayList<>();
        from.accept(paths);
        return distinct(paths);
    }

    private List<SignalPath> atPort(Port port) {
        return collected(all -> addPort(all, port));
    }

    private List<SignalPath> ofDevice(Id<Host> host) {
        return collected(all -> context.index.applicationsOn(host).forEach(a -> addApplication(all, a)));
    }

    // from those that are judged and kept by universe: a desk may send ten thousand, and they are asked for at each
    // click

    private void addPort(List<SignalPath> paths, Port port) {
        for (Id<Universe> universe : context.index.universesOf(port.id())) {
            for (SignalPath path : universes.of(universe)) {
                if (path.receiver().equals(Optional.of(port.id()))) {
                    paths.add(path);
                }
            }
        }
    }

    private void addStream(List<SignalPath> paths, Stream stream) {
        for (SignalPath path : universes.of(stream.universe())) {
            if (path.signal().equals(Optional.of(stream.id()))) {
                paths.add(path);
            }
        }
    }

    private void addApplication(List<SignalPath> paths, Application application) {
        context.index.streamsFrom(application.id()).forEach(s -> addStream(paths, s));
        context.index.receiversOf(application.id()).forEach(r -> r.ports().forEach(p -> addPort(paths, p)));
        Set<Id<?>> own = new HashSet<>();
        for (ControlLink link : context.plan.links()) {
            if (link.from().equals(application.id()) || link.to().equals(application.id())) {
                own.add(link.id());
            }
        }
        for (Attachment attachment : context.plan.attachments()) {
            if (attachment.from().equals(application.id()) || attachment.to().equals(application.id())) {
                own.add(attachment.id());
            }
        }
        for (SignalPath path : ofLinks()) {
            boolean inSession = path.protocol().equals(SESSION)
                    && (path.source().equals(Optional.of(application.id()))
                            || path.receiver().equals(Optional.of(application.id())));
            if (inSession || path.signal().filter(own::contains).isPresent()) {
                paths.add(path);
            }
        }
    }

    /** Each once, by identity, for to compare all that paths say takes long. */
    private static List<SignalPath> distinct(List<SignalPath> paths) {
        Set<SignalPath> met = Collections.newSetFromMap(new IdentityHashMap<>());
        return paths.stream().filter(met::add).toList();
    }

    /**
     * The paths of sources to a port. What comes to it by a console that passes it on need not come there by itself too; where it
     * does, the two fight and both are shown.
     */
    private List<SignalPath> paths(List<Stream> sources, Port port, Optional<Fixture> fixture) {
        List<SignalPath> all = sources.stream().map(s -> path(s, port, fixture)).toList();
        Set<Id<?>> passedOn = new HashSet<>();
        for (SignalPath path : all) {
            if (path.legs().size() > 1) {
                path.source().ifPresent(passedOn::add);
            }
        }
        return passedOn.isEmpty()
                ? all
                : all.stream()
                        .filter(p -> p.legs().size() > 1
                                || p.verdict() != Verdict.BROKEN
                                || p.source().filter(passedOn::contains).isEmpty())
                        .toList();
    }

    /** The path of a stream; what a bridge sends, or a console passes on, has come to it by a leg of its own. */
    private SignalPath path(Stream stream, Port port, Optional<Fixture> fixture) {
        return through(flows.path(stream, port, fixture), stream, 0);
    }

    private SignalPath through(SignalPath path, Stream stream, int bridges) {
        Application sender = context.index.application(stream.application());
        boolean bridge = sender.kind() == ApplicationKind.BRIDGE;
        if ((!bridge && sender.kind() != ApplicationKind.CONSOLE) || bridges >= MOST_BRIDGES) {
            return path;
        }
        Optional<Port> input = context.index.portsOf(stream.universe()).stream()
                .filter(p -> context.index.applicationOf(p.id()).id().equals(sender.id()))
                .filter(p -> bridge || p.protocol().inForce().onNetwork())
                .findFirst();
        Optional<Stream> feeds = input.flatMap(p -> flows.sources(stream.universe(), p).stream()
                .filter(s -> !s.application().equals(sender.id()))
                .findFirst());
        if (!bridge && feeds.isEmpty()) {
            return path; // a console has levels of its own
        }
        SignalPath before = feeds.isPresent()
                ? through(flows.path(feeds.get(), input.orElseThrow(), Optional.empty()), feeds.get(), bridges + 1)
                : missing.unsent(stream.universe(), input, Optional.empty());
        List<Leg> legs = new ArrayList<>(before.legs());
        legs.addAll(path.legs());
        return new SignalPath(before.source(), path.signal(), path.receiver(), path.protocol(), path.delivery(), legs);
    }

    /** The paths from every source of its universes to where it hangs. */
    public PathReport ofFixture(Id<Fixture> id) {
        Fixture fixture = context.index.fixture(id);
        List<SignalPath> paths = new ArrayList<>();
        Set<Id<Universe>> universes = new LinkedHashSet<>();
        fixture.breaks().forEach(b -> universes.add(b.universe()));
        for (Id<Universe> universe : universes) {
            List<Port> ports = portsTo(fixture, universe);
            for (Port port : ports) {
                List<Stream> sources = flows.sources(universe, port);
                paths.addAll(paths(sources, port, Optional.of(fixture)));
                if (sources.isEmpty()) {
                    paths.add(missing.unsent(universe, Optional.of(port), Optional.of(fixture)));
                }
            }
            if (ports.isEmpty()) {
                List<Stream> streams = context.index.streamsOf(universe);
                streams.stream().limit(1).forEach(s -> paths.add(missing.untaken(s, Optional.of(fixture))));
                if (streams.isEmpty()) {
                    paths.add(missing.unsent(universe, Optional.empty(), Optional.of(fixture)));
                }
            }
        }
        return PathReport.of(id, paths);
    }

    private List<Port> portsTo(Fixture fixture, Id<Universe> universe) {
        List<Port> ports = context.index.portsOf(universe);
        Optional<Id<Line>> line = fixture.breaks().stream()
                .filter(b -> b.universe().equals(universe))
                .flatMap(b -> fixture.lineOf(b).stream())
                .findFirst();
        if (line.isPresent()) {
            Port port = context.index.port(context.index.line(line.get()).port());
            // a line that carries another universe is said at hop 10: the signal goes to the ports of its own
            boolean carriesAnother = port.universe().isPresent()
                    && !context.index.universesOf(port.id()).contains(universe);
            if (!carriesAnother || ports.isEmpty()) {
                return List.of(port);
            }
        }
        List<Port> dmx = ports.stream().filter(p -> p.kind() == PortKind.DMX).toList();
        return dmx.isEmpty() ? ports : dmx;
    }

    /** The paths of a universe: from each of its sources to each of its ports. */
    public PathReport ofUniverse(Id<Universe> id) {
        context.index.universe(id);
        return PathReport.of(id, universes.of(id));
    }

    private List<SignalPath> judged(Id<Universe> id) {
        List<SignalPath> paths = new ArrayList<>();
        List<Port> ports = context.index.portsOf(id);
        List<Stream> streams = context.index.streamsOf(id);
        for (Port port : ports) {
            List<Stream> sources = flows.sources(id, port);
            paths.addAll(paths(sources, port, Optional.empty()));
            if (sources.isEmpty()) {
                paths.add(missing.unsent(id, Optional.of(port), Optional.empty()));
            }
        }
        if (ports.isEmpty()) {
            streams.forEach(s -> paths.add(missing.untaken(s, Optional.empty())));
            if (streams.isEmpty() && !context.index.fixturesIn(id).isEmpty()) {
                paths.add(missing.unsent(id, Optional.empty(), Optional.empty()));
            }
        }
        return List.copyOf(paths);
    }

    /** The paths of the plan on which anything is wrong, at risk or unknown, in the order of {@link #all()}. */
    public List<SignalPath> withIssues() {
        Reads.note(Reads.ANYTHING);
        List<SignalPath> paths = new ArrayList<>(universes.withIssues());
        paths.addAll(ofLinks());
        return paths;
    }

    /** The universes that are sent and that no port takes, in the order of the plan. */
    public List<Universe> untaken() {
        Reads.note(Reads.ANYTHING);
        return universes.untaken();
    }

    /** Whether the plan has any path. */
    public boolean any() {
        Reads.note(Reads.ANYTHING);
        return universes.any() || !ofLinks().isEmpty();
    }

    public PathReport ofLink(Id<ControlLink> id) {
        return PathReport.of(id, List.of(links.path(context.index.get(id))));
    }

    /** The path of a console's own stream. */
    public PathReport ofAttachment(Id<Attachment> id) {
        return PathReport.of(id, List.of(attachments.path(context.index.get(id))));
    }

    /** The paths between the desks of a session: from the one that leads to each other one, and back. */
    public PathReport ofSession(Id<Session> id) {
        return PathReport.of(
                id,
                ofLinks().stream()
                        .filter(p -> p.signal().equals(Optional.of(id)))
                        .toList());
    }

    /** The paths of control links, of consoles' own streams and of sessions, judged once. */
    private List<SignalPath> ofLinks() {
        List<SignalPath> known = linkPaths;
        if (known == null) {
            List<SignalPath> paths = new ArrayList<>();
            context.plan.links().forEach(l -> paths.add(links.path(l)));
            context.plan.attachments().forEach(a -> paths.add(attachments.path(a)));
            context.plan.sessions().forEach(s -> paths.addAll(sessions.paths(s)));
            known = List.copyOf(paths);
            linkPaths = known;
        }
        return known;
    }

    /** What is wrong with where a fixture sits; part of hop 10 of each of its paths. */
    public List<Issue> patchIssues(Fixture fixture) {
        return patch.of(fixture);
    }

    /** The cables that close a ring which nothing cuts, with the devices on it in order. */
    public java.util.Map<Id<Cable>, List<Id<Host>>> rings() {
        java.util.Map<Id<Cable>, List<Id<Host>>> rings = new java.util.LinkedHashMap<>();
        context.rings().forEach(r -> rings.put(r.closing(), r.over()));
        return rings;
    }

    /** The fixtures with which anything is wrong where they sit, in the order of their universes. */
    public List<Fixture> withPatchIssues() {
        return patch.withIssues();
    }

    /** Every path of the plan but those of single fixtures. */
    public List<SignalPath> all() {
        Reads.note(Reads.ANYTHING);
        List<SignalPath> links = ofLinks();
        if (links.isEmpty()) {
            return universes.all();
        }
        List<SignalPath> paths = new ArrayList<>(universes.all());
        paths.addAll(links);
        return paths;
    }
}
