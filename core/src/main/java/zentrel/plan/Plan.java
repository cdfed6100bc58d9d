package zentrel.plan;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import zentrel.profile.Profile;
import zentrel.text.PlainText;

/**
 * Everything that was said about a rig: one table for each kind of entity, the profiles they were made from, and what people
 * saw. Immutable: an edit returns a new plan, which shares what did not change.
 */
public final class Plan {
    /** A plan with nothing in it. */
    public static final Plan EMPTY = new Plan("Untitled", empty(), List.of(), List.of());

    /** Noted where the profiles are read. */
    static final Object PROFILES = "profiles";

    private final String name;
    private final Map<Kind<?>, Table<?>> tables;
    private final List<Sighting> sightings;
    private final List<Profile> profiles;
    private volatile @Nullable PlanIndex index;

    /** That of the plan which an edit was made to, until this one's own is worked out on top of it. */
    private volatile @Nullable PlanIndex basis;

    private Plan(String name, Map<Kind<?>, Table<?>> tables, List<Sighting> sightings, List<Profile> profiles) {
        this.name = PlainText.require("The name of a plan", name);
        this.tables = tables;
        this.sightings = List.copyOf(sightings);
        this.profiles = List.copyOf(profiles);
    }

    private static Map<Kind<?>, Table<?>> empty() {
        Map<Kind<?>, Table<?>> tables = new LinkedHashMap<>();
        Kind.TABLES.forEach(kind -> tables.put(kind, Table.of(kind, List.of())));
        return tables;
    }

    private Plan edited(
            String newName, Map<Kind<?>, Table<?>> newTables, List<Sighting> newSightings, List<Profile> newProfiles) {
        Plan next = new Plan(newName, newTables, newSightings, newProfiles);
        PlanIndex known = index;
        next.basis = known == null ? basis : known;
        return next;
    }

    // --- what it holds ---

    public String name() {
        return name;
    }

    /** All entities of a kind that has a table. */
    @SuppressWarnings("unchecked")
    public <E> Table<E> table(Kind<E> kind) {
        Reads.note(kind);
        return (Table<E>) Objects.requireNonNull(tables.get(kind), () -> "no table of " + kind);
    }

    public List<Segment> segments() {
        return table(Kind.SEGMENT);
    }

    public List<Host> hosts() {
        return table(Kind.HOST);
    }

    public List<Application> applications() {
        return table(Kind.APPLICATION);
    }

    public List<Universe> universes() {
        return table(Kind.UNIVERSE);
    }

    public List<Stream> streams() {
        return table(Kind.STREAM);
    }

    public List<Receiver> receivers() {
        return table(Kind.RECEIVER);
    }

    public List<Line> lines() {
        return table(Kind.LINE);
    }

    public List<Fixture> fixtures() {
        return table(Kind.FIXTURE);
    }

    public List<ControlLink> links() {
        return table(Kind.LINK);
    }

    public List<Attachment> attachments() {
        return table(Kind.ATTACHMENT);
    }

    public List<Session> sessions() {
        return table(Kind.SESSION);
    }

    public List<Cable> cables() {
        return table(Kind.CABLE);
    }

    public List<TypedCopy> copies() {
        return table(Kind.COPY);
    }

    public List<FixtureType> fixtureTypes() {
        return table(Kind.FIXTURE_TYPE);
    }

    public List<PixelRun> pixelRuns() {
        return table(Kind.PIXEL_RUN);
    }

    public List<PixelOutput> pixelOutputs() {
        return table(Kind.PIXEL_OUTPUT);
    }

    /** The bodies of the place. */
    public List<Surrounding> surroundings() {
        return table(Kind.SURROUNDING);
    }

    public List<GroundPicture> groundPictures() {
        return table(Kind.GROUND_PICTURE);
    }

    public List<Viewpoint> viewpoints() {
        return table(Kind.VIEWPOINT);
    }

    /** The fixtures as other programs have them. */
    public List<PatchList> patchLists() {
        return table(Kind.PATCH_LIST);
    }

    /** What people saw, the earliest first. */
    public List<Sighting> sightings() {
        Reads.note(Reads.ANYTHING);
        return sightings;
    }

    /** The profiles that its hosts and applications were made from. */
    public List<Profile> profiles() {
        Reads.note(PROFILES);
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
            PlanIndex basedOn = basis;
            known = Reads.unnoted(() -> new PlanIndex(this, basedOn));
            index = known;
            basis = null;
        }
        return known;
    }

    // --- edits ---

    public Plan withName(String value) {
        return edited(value, tables, sightings, profiles);
    }

    /** Everything of a kind, parts of others too: the adapters of all devices. */
    public <E> List<E> all(Kind<E> kind) {
        return kind.owner().isPresent() ? partsOf(kind.owner().get()) : table(kind);
    }

    private <O, E> List<E> partsOf(Kind.Parts<O, E> parts) {
        List<E> all = new ArrayList<>();
        table(parts.owner()).forEach(owner -> all.addAll(parts.of().apply(owner)));
        return all;
    }

    /**
     * This plan with other entities of a kind.
     *
     * @param kind one that has a table
     */
    @SuppressWarnings("ReferenceEquality")
    public <E> Plan with(Kind<E> kind, List<E> rows) {
        if (kind.owner().isPresent()) {
            throw new IllegalArgumentException("A plan has no table of " + kind.list() + "; each is part of another.");
        }
        if (table(kind) == rows) {
            return this;
        }
        Map<Kind<?>, Table<?>> next = new LinkedHashMap<>(tables);
        next.put(kind, Table.of(kind, rows));
        return edited(name, next, sightings, profiles);
    }

    /** This plan with one more entity of a kind, at the end of its table. */
    public <E> Plan and(Kind<E> kind, E entity) {
        List<E> rows = new ArrayList<>(table(kind));
        rows.add(entity);
        return with(kind, rows);
    }

    /** This plan with one entity changed, wherever it is kept; the same where there is none. */
    public <E> Plan with(Id<E> id, UnaryOperator<E> change) {
        Kind<E> kind = id.kind();
        if (kind.owner().isPresent()) {
            return withPart(kind.owner().get(), id, change);
        }
        PlanIndex known = index;
        return with(
                kind,
                table(kind).changed(id, known == null ? null : known.find(id).orElse(null), change));
    }

    private <O, E> Plan withPart(Kind.Parts<O, E> parts, Id<E> id, UnaryOperator<E> change) {
        return with(
                parts.owner().idOf(index().ownerOf(parts, id)),
                owner -> parts.with()
                        .apply(
                                owner,
                                parts.of().apply(owner).stream()
                                        .map(p -> parts.part().idOf(p).equals(id) ? change.apply(p) : p)
                                        .toList()));
    }

    public Plan withSightings(List<Sighting> value) {
        return edited(name, tables, value, profiles);
    }

    public Plan withProfiles(List<Profile> value) {
        return edited(name, tables, sightings, value);
    }

    /** This plan with a profile added, or put in place of the one with its id. */
    public Plan withProfile(Profile profile) {
        List<Profile> list = new ArrayList<>(profiles);
        list.removeIf(p -> p.id().equals(profile.id()));
        list.add(profile);
        return withProfiles(list);
    }

    @Override
    public boolean equals(Object o) {
        if (this == o) {
            return true; // most plans that are compared are the same one
        }
        return o instanceof Plan p
                && name.equals(p.name)
                && Kind.TABLES.stream().allMatch(k -> table(k).equals(p.table(k)))
                && sightings.equals(p.sightings)
                && profiles.equals(p.profiles);
    }

    @Override
    public int hashCode() {
        return Objects.hash(
                name,
                hosts(),
                applications(),
                universes().size(),
                streams().size(),
                fixtures().size());
    }

    @Override
    public String toString() {
        return "Plan " + name + " (" + hosts().size() + " hosts, " + universes().size() + " universes, "
                + fixtures().size() + " fixtures)";
    }
}
