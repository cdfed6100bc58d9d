package zentrel.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import zentrel.text.PlainText;

/**
 * Everything that was said about a rig. Immutable: an edit returns a new plan, which shares what did not change. The
 * lists keep the order in which people entered things.
 */
public final class Plan {
    /** A plan with nothing in it. */
    public static final Plan EMPTY = new Plan(
            "Untitled",
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of(),
            List.of());

    private final String name;
    private final List<Segment> segments;
    private final List<Host> hosts;
    private final List<Application> applications;
    private final List<Universe> universes;
    private final List<Stream> streams;
    private final List<Receiver> receivers;
    private final List<Line> lines;
    private final List<Fixture> fixtures;
    private final List<ControlLink> links;
    private final List<Attachment> attachments;
    private final List<Session> sessions;
    private final List<Cable> cables;
    private final List<TypedCopy> copies;
    private final List<Sighting> sightings;
    private final List<Profile> profiles;
    private volatile @Nullable PlanIndex index;

    /** That of the plan which an edit was made to, until this one's own is worked out on top of it. */
    private volatile @Nullable PlanIndex basis;

    public Plan(
            String name,
            List<Segment> segments,
            List<Host> hosts,
            List<Application> applications,
            List<Universe> universes,
            List<Stream> streams,
            List<Receiver> receivers,
            List<Line> lines,
            List<Fixture> fixtures,
            List<ControlLink> links,
            List<Attachment> attachments,
            List<Session> sessions,
            List<Cable> cables,
            List<TypedCopy> copies,
            List<Sighting> sightings,
            List<Profile> profiles) {
        this.name = PlainText.require("The name of a plan", name);
        this.segments = List.copyOf(segments);
        this.hosts = List.copyOf(hosts);
        this.applications = List.copyOf(applications);
        this.universes = List.copyOf(universes);
        this.streams = List.copyOf(streams);
        this.receivers = List.copyOf(receivers);
        this.lines = List.copyOf(lines);
        this.fixtures = List.copyOf(fixtures);
        this.links = List.copyOf(links);
        this.attachments = List.copyOf(attachments);
        this.sessions = List.copyOf(sessions);
        this.cables = List.copyOf(cables);
        this.copies = List.copyOf(copies);
        this.sightings = List.copyOf(sightings);
        this.profiles = List.copyOf(profiles);
    }

    /** The lists of a plan while one of them is being replaced. */
    private static final class Parts {
        private String name;
        private List<Segment> segments;
        private List<Host> hosts;
        private List<Application> applications;
        private List<Universe> universes;
        private List<Stream> streams;
        private List<Receiver> receivers;
        private List<Line> lines;
        private List<Fixture> fixtures;
        private List<ControlLink> links;
        private List<Attachment> attachments;
        private List<Session> sessions;
        private List<Cable> cables;
        private List<TypedCopy> copies;
        private List<Sighting> sightings;
        private List<Profile> profiles;

        private Parts(Plan plan) {
            name = plan.name;
            segments = plan.segments;
            hosts = plan.hosts;
            applications = plan.applications;
            universes = plan.universes;
            streams = plan.streams;
            receivers = plan.receivers;
            lines = plan.lines;
            fixtures = plan.fixtures;
            links = plan.links;
            attachments = plan.attachments;
            sessions = plan.sessions;
            cables = plan.cables;
            copies = plan.copies;
            sightings = plan.sightings;
            profiles = plan.profiles;
        }

        private Plan plan() {
            return new Plan(
                    name,
                    segments,
                    hosts,
                    applications,
                    universes,
                    streams,
                    receivers,
                    lines,
                    fixtures,
                    links,
                    attachments,
                    sessions,
                    cables,
                    copies,
                    sightings,
                    profiles);
        }
    }

    private Plan with(Consumer<Parts> change) {
        Parts parts = new Parts(this);
        change.accept(parts);
        Plan next = parts.plan();
        PlanIndex known = index;
        next.basis = known == null ? basis : known;
        return next;
    }

    public String name() {
        return name;
    }

    public List<Segment> segments() {
        return segments;
    }

    public List<Host> hosts() {
        return hosts;
    }

    public List<Application> applications() {
        return applications;
    }

    public List<Universe> universes() {
        return universes;
    }

    public List<Stream> streams() {
        return streams;
    }

    public List<Receiver> receivers() {
        return receivers;
    }

    public List<Line> lines() {
        return lines;
    }

    public List<Fixture> fixtures() {
        return fixtures;
    }

    public List<ControlLink> links() {
        return links;
    }

    public List<Attachment> attachments() {
        return attachments;
    }

    public List<Session> sessions() {
        return sessions;
    }

    public List<Cable> cables() {
        return cables;
    }

    public List<TypedCopy> copies() {
        return copies;
    }

    /** What people saw, the earliest first. */
    public List<Sighting> sightings() {
        return sightings;
    }

    /** The profiles that its hosts and applications were made from. */
    public List<Profile> profiles() {
        return profiles;
    }

    /** Gives up what was worked out from this plan, which a plan that is kept only to go back to does not need. */
    void forgetIndex() {
        index = null;
        basis = null;
    }

    /** Lookups by id and by relation, made once for this plan. */
    public PlanIndex index() {
        PlanIndex known = index;
        if (known == null) {
            known = new PlanIndex(this, basis);
            index = known;
            basis = null;
        }
        return known;
    }

    public Plan withName(String value) {
        return with(p -> p.name = value);
    }

    public Plan withSegments(List<Segment> value) {
        return with(p -> p.segments = value);
    }

    public Plan withHosts(List<Host> value) {
        return with(p -> p.hosts = value);
    }

    public Plan withApplications(List<Application> value) {
        return with(p -> p.applications = value);
    }

    public Plan withUniverses(List<Universe> value) {
        return with(p -> p.universes = value);
    }

    public Plan withStreams(List<Stream> value) {
        return with(p -> p.streams = value);
    }

    public Plan withReceivers(List<Receiver> value) {
        return with(p -> p.receivers = value);
    }

    public Plan withLines(List<Line> value) {
        return with(p -> p.lines = value);
    }

    public Plan withFixtures(List<Fixture> value) {
        return with(p -> p.fixtures = value);
    }

    public Plan withLinks(List<ControlLink> value) {
        return with(p -> p.links = value);
    }

    public Plan withAttachments(List<Attachment> value) {
        return with(p -> p.attachments = value);
    }

    public Plan withSessions(List<Session> value) {
        return with(p -> p.sessions = value);
    }

    public Plan withCables(List<Cable> value) {
        return with(p -> p.cables = value);
    }

    public Plan withCopies(List<TypedCopy> value) {
        return with(p -> p.copies = value);
    }

    public Plan withSightings(List<Sighting> value) {
        return with(p -> p.sightings = value);
    }

    public Plan withProfiles(List<Profile> value) {
        return with(p -> p.profiles = value);
    }

    public Plan withHost(HostId id, UnaryOperator<Host> change) {
        return withHosts(replaced(hosts, id, change));
    }

    public Plan withAdapter(AdapterId id, UnaryOperator<Adapter> change) {
        Host owner = index().hostOf(id);
        return withHost(owner.id(), h -> h.withAdapters(replaced(h.adapters(), id, change)));
    }

    public Plan withApplication(ApplicationId id, UnaryOperator<Application> change) {
        return withApplications(replaced(applications, id, change));
    }

    public Plan withUniverse(UniverseId id, UnaryOperator<Universe> change) {
        return withUniverses(replaced(universes, id, change));
    }

    public Plan withReceiver(ReceiverId id, UnaryOperator<Receiver> change) {
        return withReceivers(replaced(receivers, id, change));
    }

    public Plan withPort(PortId id, UnaryOperator<Port> change) {
        Receiver owner = index().receiverOf(id);
        return withReceiver(owner.id(), r -> r.withPorts(replaced(r.ports(), id, change)));
    }

    public Plan withFixture(FixtureId id, UnaryOperator<Fixture> change) {
        return withFixtures(replaced(fixtures, id, change));
    }

    public Plan withLink(LinkId id, UnaryOperator<ControlLink> change) {
        return withLinks(replaced(links, id, change));
    }

    public Plan withAttachment(LinkId id, UnaryOperator<Attachment> change) {
        return withAttachments(replaced(attachments, id, change));
    }

    public Plan withStream(StreamId id, UnaryOperator<Stream> change) {
        return withStreams(replaced(streams, id, Stream::id, change));
    }

    public Plan withCable(CableId id, UnaryOperator<Cable> change) {
        return withCables(replaced(cables, id, change));
    }

    public Plan withCopy(CopyId id, UnaryOperator<TypedCopy> change) {
        return withCopies(replaced(copies, id, change));
    }

    public Plan withSegment(SegmentId id, UnaryOperator<Segment> change) {
        return withSegments(replaced(segments, id, change));
    }

    /** This plan with a profile added, or put in place of the one with its id. */
    public Plan withProfile(Profile profile) {
        List<Profile> list = new ArrayList<>(profiles);
        list.removeIf(p -> p.id().equals(profile.id()));
        list.add(profile);
        return withProfiles(list);
    }

    private <T extends Named> List<T> replaced(List<T> items, Id id, UnaryOperator<T> change) {
        return replaced(items, id, Named::id, change);
    }

    /** By identity where the lookups are worked out anyway: to ask each of a hundred thousand for its id takes long. */
    @SuppressWarnings("ReferenceEquality")
    private <T> List<T> replaced(List<T> items, Id id, Function<T, Id> idOf, UnaryOperator<T> change) {
        List<T> list = new ArrayList<>(items);
        PlanIndex known = index;
        Object found = known == null ? null : known.find(id).orElse(null);
        list.replaceAll(
                item -> item == found || (found == null && idOf.apply(item).equals(id)) ? change.apply(item) : item);
        return list;
    }

    @Override
    public boolean equals(Object o) {
        if (this == o) {
            return true; // most plans that are compared are the same one
        }
        return o instanceof Plan p
                && name.equals(p.name)
                && segments.equals(p.segments)
                && hosts.equals(p.hosts)
                && applications.equals(p.applications)
                && universes.equals(p.universes)
                && streams.equals(p.streams)
                && receivers.equals(p.receivers)
                && lines.equals(p.lines)
                && fixtures.equals(p.fixtures)
                && links.equals(p.links)
                && attachments.equals(p.attachments)
                && sessions.equals(p.sessions)
                && cables.equals(p.cables)
                && copies.equals(p.copies)
                && sightings.equals(p.sightings)
                && profiles.equals(p.profiles);
    }

    @Override
    public int hashCode() {
        return Objects.hash(name, hosts, applications, universes.size(), streams.size(), fixtures.size());
    }

    @Override
    public String toString() {
        return "Plan " + name + " (" + hosts.size() + " hosts, " + universes.size() + " universes, " + fixtures.size()
                + " fixtures)";
    }
}
