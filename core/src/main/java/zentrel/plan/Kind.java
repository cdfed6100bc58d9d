package zentrel.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.BiFunction;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import zentrel.index.ListChange;

/**
 * What every part of the program needs to know of one kind of entity: what it is called, where it is kept, what it refers to and
 * what becomes of it when that is removed. Tables, lookups, reading, comparing and removing are loops over {@link #ALL}.
 *
 * @param <E> the entity's record
 */
public final class Kind<E> {
    public static final Kind<Segment> SEGMENT = new Kind<>("segment", Segment.class, Segment::id);

    public static final Kind<Host> HOST = new Kind<>("host", Host.class, Host::id)
            .settings(EntitySettings::of)
            .setOn(Host::id)
            .refers((h, to) -> {
                h.own().accessoryOf().ifPresent(to);
                h.firewall().programs().forEach(to);
                h.firewall().publicOn().forEach(to);
            })
            .left((h, gone) -> Optional.of(h.withOwn(
                            h.own().withAccessoryOf(h.own().accessoryOf().filter(of -> !gone.test(of))))
                    .withFirewall(h.firewall()
                            .withPrograms(Leftovers.kept(h.firewall().programs(), gone))
                            .withPublicOn(Leftovers.kept(h.firewall().publicOn(), gone)))));

    public static final Kind<Adapter> ADAPTER = new Kind<>("adapter", Adapter.class, Adapter::id)
            .settings(EntitySettings::of)
            .partOf(HOST, Host::adapters, Host::withAdapters)
            .refers((a, to) -> a.segment().ifPresent(to))
            .left((a, gone) -> Optional.of(a.withoutSegment()));

    public static final Kind<Application> APPLICATION = new Kind<>("application", Application.class, Application::id)
            .settings(EntitySettings::of)
            .called("program", "programs")
            .setOn(Application::host)
            .refers((a, to) -> {
                to.accept(a.host());
                a.bindings().values().forEach(b -> {
                    b.planned().adapters().forEach(to);
                    b.inForce().adapters().forEach(to);
                });
            })
            .left((a, gone) -> gone.test(a.host()) ? Optional.empty() : Optional.of(Leftovers.unbound(a, gone)));

    public static final Kind<Universe> UNIVERSE = new Kind<>("universe", Universe.class, Universe::id);

    public static final Kind<Stream> STREAM = new Kind<>("stream", Stream.class, Stream::id)
            .settings(EntitySettings::of)
            .setOn(Stream::application)
            .refers((s, to) -> {
                to.accept(s.application());
                to.accept(s.universe());
            });

    public static final Kind<Receiver> RECEIVER = new Kind<>("receiver", Receiver.class, Receiver::id)
            .settings(EntitySettings::of)
            .setOn(Receiver::application)
            .refers((r, to) -> to.accept(r.application()));

    public static final Kind<Port> PORT = new Kind<>("port", Port.class, Port::id)
            .settings(EntitySettings::of)
            .partOf(RECEIVER, Receiver::ports, Receiver::withPorts)
            .refers((p, to) -> p.universe().ifPresent(to))
            .left((p, gone) -> Optional.of(p.withUniverse(Optional.empty())));

    public static final Kind<Line> LINE = new Kind<>("line", Line.class, Line::id).refers((l, to) -> {
        to.accept(l.port());
        l.via().ifPresent(v -> {
            to.accept(v.device());
            to.accept(v.from());
        });
    });

    public static final Kind<Fixture> FIXTURE = new Kind<>("fixture", Fixture.class, Fixture::id)
            .refers((f, to) -> {
                f.line().ifPresent(to);
                f.breaks().forEach(b -> {
                    to.accept(b.universe());
                    b.line().ifPresent(to);
                });
            })
            .left(Leftovers::withoutBreaks);

    public static final Kind<ControlLink> LINK = new Kind<>("link", ControlLink.class, ControlLink::id)
            .settings(EntitySettings::of)
            .called("control link", "control links")
            .setOn(ControlLink::from)
            .refers((l, to) -> {
                to.accept(l.from());
                to.accept(l.to());
            });

    public static final Kind<Attachment> ATTACHMENT = new Kind<>("attachment", Attachment.class, Attachment::id)
            .settings(EntitySettings::of)
            .called("stream of a console's own", "streams of a console's own")
            .setOn(Attachment::from)
            .refers((a, to) -> {
                to.accept(a.from());
                to.accept(a.to());
            });

    public static final Kind<Session> SESSION = new Kind<>("session", Session.class, Session::id)
            .refers((s, to) -> s.desks().forEach(m -> to.accept(m.application())))
            .left((s, gone) -> Optional.of(s.withDesks(
                    s.desks().stream().filter(m -> !gone.test(m.application())).toList())));

    public static final Kind<Cable> CABLE = new Kind<>("cable", Cable.class, Cable::id).refers((c, to) -> {
        to.accept(c.from());
        to.accept(c.to());
    });

    public static final Kind<TypedCopy> COPY = new Kind<>("copy", TypedCopy.class, TypedCopy::id)
            .settings(EntitySettings::of)
            .listed("copies")
            .called("typed copy", "typed copies")
            .setOn(TypedCopy::owner)
            .refers((c, to) -> {
                to.accept(c.owner());
                to.accept(c.of());
            });

    public static final Kind<FixtureType> FIXTURE_TYPE =
            new Kind<>("fixtureType", FixtureType.class, FixtureType::id).called("fixture type", "fixture types");

    public static final Kind<PatchList> PATCH_LIST = new Kind<>("patchList", PatchList.class, PatchList::id)
            .called("list of fixtures", "lists of fixtures")
            .refers((l, to) -> l.program().ifPresent(to))
            .left((l, gone) -> Optional.of(l.withProgram(l.program().filter(p -> !gone.test(p)))));

    public static final Kind<PixelRun> PIXEL_RUN = new Kind<>("pixelRun", PixelRun.class, PixelRun::id)
            .called("pixel run", "pixel runs")
            .refers((r, to) -> r.fixture().ifPresent(to))
            .left((r, gone) -> Optional.of(r.withFixture(Optional.empty())));

    public static final Kind<PixelOutput> PIXEL_OUTPUT = new Kind<>("pixelOutput", PixelOutput.class, PixelOutput::id)
            .called("pixel output", "pixel outputs")
            .setOn(PixelOutput::receiver)
            .refers((o, to) -> {
                to.accept(o.receiver());
                o.ports().forEach(to);
                o.runs().forEach(to);
            })
            .left((o, gone) -> gone.test(o.receiver())
                    ? Optional.empty()
                    : Optional.of(
                            o.withPorts(Leftovers.kept(o.ports(), gone)).withRuns(Leftovers.kept(o.runs(), gone))));

    public static final Kind<Surrounding> SURROUNDING = new Kind<>("surrounding", Surrounding.class, Surrounding::id);

    public static final Kind<GroundPicture> GROUND_PICTURE = new Kind<>(
                    "groundPicture", GroundPicture.class, GroundPicture::id)
            .called("ground picture", "ground pictures");

    public static final Kind<Viewpoint> VIEWPOINT = new Kind<>("viewpoint", Viewpoint.class, Viewpoint::id);

    /** The kinds that have a table of their own, in the order of a plan file: what is referred to by any kind comes first. */
    public static final List<Kind<?>> TABLES = List.of(
            SEGMENT,
            HOST,
            APPLICATION,
            UNIVERSE,
            STREAM,
            RECEIVER,
            LINE,
            FIXTURE,
            LINK,
            ATTACHMENT,
            SESSION,
            CABLE,
            COPY,
            FIXTURE_TYPE,
            PATCH_LIST,
            PIXEL_RUN,
            PIXEL_OUTPUT,
            SURROUNDING,
            GROUND_PICTURE,
            VIEWPOINT);

    /** Every kind: each table's, followed by those of its parts. */
    public static final List<Kind<?>> ALL = all();

    private final String word;
    private final Class<E> type;
    private final Function<E, Id<E>> id;
    private String list;
    private String one;
    private String many;
    private BiConsumer<E, Consumer<Id<?>>> references = (e, to) -> {};
    private BiFunction<E, Predicate<Id<?>>, Optional<E>> left = (e, gone) -> Optional.empty();
    private Function<E, Optional<Id<?>>> setOn = e -> Optional.empty();
    private @Nullable BiFunction<E, SettingVisit, E> settings;
    private Optional<Parts<?, E>> owner = Optional.empty();
    private final List<Parts<E, ?>> parts = new ArrayList<>();

    /**
     * Where the parts of an entity are kept.
     *
     * @param owner the kind of what they are parts of
     * @param part their own kind
     */
    public record Parts<O, E>(Kind<O> owner, Kind<E> part, Function<O, List<E>> of, BiFunction<O, List<E>, O> with) {}

    private Kind(String word, Class<E> type, Function<E, Id<E>> id) {
        this.word = word;
        this.type = type;
        this.id = id;
        list = word + "s";
        one = word;
        many = list;
    }

    private static List<Kind<?>> all() {
        List<Kind<?>> all = new ArrayList<>();
        for (Kind<?> table : TABLES) {
            all.add(table);
            table.parts.forEach(p -> all.add(p.part()));
        }
        return List.copyOf(all);
    }

    // --- describing one ---

    private Kind<E> called(String oneOfThem, String manyOfThem) {
        one = oneOfThem;
        many = manyOfThem;
        return this;
    }

    private Kind<E> listed(String field) {
        list = field;
        return this;
    }

    private Kind<E> refers(BiConsumer<E, Consumer<Id<?>>> to) {
        references = to;
        return this;
    }

    private Kind<E> left(BiFunction<E, Predicate<Id<?>>, Optional<E>> how) {
        left = how;
        return this;
    }

    private Kind<E> settings(BiFunction<E, SettingVisit, E> visited) {
        settings = visited;
        return this;
    }

    private Kind<E> setOn(Function<E, Id<?>> of) {
        setOn = e -> Optional.of(of.apply(e));
        return this;
    }

    private <O> Kind<E> partOf(Kind<O> of, Function<O, List<E>> parts, BiFunction<O, List<E>, O> with) {
        Parts<O, E> made = new Parts<>(of, this, parts, with);
        of.parts.add(made);
        owner = Optional.of(made);
        return this;
    }

    // --- asking it ---

    /** The word for it in files and in what is said of them. */
    public String word() {
        return word;
    }

    /** The article before its word. */
    public String article() {
        return "aou".indexOf(word.charAt(0)) >= 0 && !word.startsWith("uni") ? "an" : "a";
    }

    /** The field of a plan file, or of its owner there, under which all of them are. */
    public String list() {
        return list;
    }

    /** So many of them in words: "1 program", "3 programs". */
    public String counted(long number) {
        return number + " " + (number == 1 ? one : many);
    }

    /** What people call one. */
    public String title() {
        return one;
    }

    public Class<E> type() {
        return type;
    }

    /**
     * An id of this kind.
     *
     * @throws IllegalArgumentException with a sentence, where the text cannot be one
     */
    public Id<E> id(String value) {
        return new Id<>(this, value);
    }

    public Id<E> idOf(E entity) {
        return id.apply(entity);
    }

    /** What it is part of, and how; empty for kinds with a table of their own. */
    public Optional<Parts<?, E>> owner() {
        return owner;
    }

    /** The kind of which the table holds it: its own, or its owner's. */
    Kind<?> table() {
        return owner.<Kind<?>>map(Parts::owner).orElse(this);
    }

    /** The kinds of its parts. */
    public List<Parts<E, ?>> parts() {
        return parts;
    }

    /** Gives every id that an entity itself refers to, without those of its parts. */
    public void references(E entity, Consumer<Id<?>> to) {
        references.accept(entity, to);
    }

    /** As {@link #references}, with what its parts refer to. */
    public void allReferences(E entity, Consumer<Id<?>> to) {
        references(entity, to);
        parts.forEach(each -> partReferences(each, entity, to));
    }

    private static <O, P> void partReferences(Parts<O, P> parts, O owner, Consumer<Id<?>> to) {
        parts.of().apply(owner).forEach(p -> parts.part().allReferences(p, to));
    }

    /** Whether it has anything that is planned, entered and in force. */
    public boolean hasSettings() {
        return settings != null;
    }

    /** An entity with each of its settings, and of its parts', looked at in the order in which they are gone through. */
    public E visited(E entity, SettingVisit visit) {
        return settings == null ? entity : settings.apply(entity, visit);
    }

    /** That of which the device is the one on which an entity is set; empty for what is set on no device, such as a cable. */
    public Optional<Id<?>> setOn(E entity) {
        return setOn.apply(entity);
    }

    /**
     * What is left of an entity when others are removed; the entity itself where it refers to none of them, empty where it cannot
     * stay without. Its parts are left with it.
     */
    public Optional<E> without(E entity, Predicate<Id<?>> gone) {
        if (gone.test(idOf(entity))) {
            return Optional.empty();
        }
        boolean[] touched = {false};
        references(entity, ref -> touched[0] |= gone.test(ref));
        Optional<E> rest = touched[0] ? left.apply(entity, gone) : Optional.of(entity);
        for (Parts<E, ?> each : parts) {
            rest = rest.map(e -> withoutParts(each, e, gone));
        }
        return rest;
    }

    private static <O, P> O withoutParts(Parts<O, P> parts, O owner, Predicate<Id<?>> gone) {
        List<P> before = parts.of().apply(owner);
        List<P> after = new ArrayList<>(before.size());
        before.forEach(p -> parts.part().without(p, gone).ifPresent(after::add));
        return ListChange.of(before, after).isNone() ? owner : parts.with().apply(owner, after);
    }

    /** By its word, so that whatever is sorted by ids comes in the same order each time. */
    @Override
    public int hashCode() {
        return word.hashCode();
    }

    @Override
    public boolean equals(Object o) {
        return this == o;
    }

    @Override
    public String toString() {
        return word;
    }
}
