package zentrel.entry;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.plan.Id;
import zentrel.plan.Kind;
import zentrel.plan.Named;
import zentrel.plan.Plan;

/** What can be entered, by kind: every component of every entity, but for ids and parts that are entities of their own. */
public final class Entries {
    private static final Map<Kind<?>, List<? extends Field<?>>> ALL = Map.ofEntries(
            Map.entry(Kind.SEGMENT, DeviceEntries.segment()),
            Map.entry(Kind.HOST, DeviceEntries.host()),
            Map.entry(Kind.ADAPTER, DeviceEntries.adapter()),
            Map.entry(Kind.APPLICATION, ProgramEntries.application()),
            Map.entry(Kind.STREAM, TrafficEntries.stream()),
            Map.entry(Kind.RECEIVER, TrafficEntries.receiver()),
            Map.entry(Kind.PORT, TrafficEntries.port()),
            Map.entry(Kind.UNIVERSE, ShowEntries.universe()),
            Map.entry(Kind.LINE, ShowEntries.line()),
            Map.entry(Kind.FIXTURE, FixtureEntries.fixture()),
            Map.entry(Kind.FIXTURE_TYPE, FixtureEntries.type()),
            Map.entry(Kind.PATCH_LIST, FixtureEntries.list()),
            Map.entry(Kind.PIXEL_RUN, PixelEntries.run()),
            Map.entry(Kind.PIXEL_OUTPUT, PixelEntries.output()),
            Map.entry(Kind.SURROUNDING, PlaceEntries.surrounding()),
            Map.entry(Kind.GROUND_PICTURE, PlaceEntries.picture()),
            Map.entry(Kind.VIEWPOINT, PlaceEntries.viewpoint()),
            Map.entry(Kind.CABLE, ShowEntries.cable()),
            Map.entry(Kind.SESSION, ShowEntries.session()),
            Map.entry(Kind.LINK, ShowEntries.link()),
            Map.entry(Kind.ATTACHMENT, ShowEntries.attachment()),
            Map.entry(Kind.COPY, ShowEntries.copy()));

    private Entries() {}

    /** The fields of a kind, in the order of a form. */
    @SuppressWarnings("unchecked")
    public static <E> List<Field<E>> of(Kind<E> kind) {
        return (List<Field<E>>) ALL.getOrDefault(kind, List.of());
    }

    /** A field by its key. */
    public static <E> Optional<Field<E>> find(Kind<E> kind, String key) {
        return of(kind).stream().filter(f -> f.key().equals(key)).findFirst();
    }

    static <E extends Named> Field.Shown name(Plan plan, E thing) {
        return new Field.Shown(thing.name(), Optional.empty());
    }

    /** A new name, wherever the old one is written too. */
    static <E extends Named> Plan rename(Plan plan, E thing, String name) {
        Id<?> id = thing.id();
        return Renames.of(plan, id, name).applyTo(plan);
    }
}
