package zentrel.file;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Map;
import java.util.Objects;
import zentrel.plan.Kind;

/**
 * How the entities of one kind are written in a plan file.
 *
 * @param <E> the entity's record
 */
interface Fields<E> {
    /** Reads one; what is missing is as usual. */
    E read(JsonPlace place, References refs);

    /** Writes one, without what is as usual. */
    void write(ObjectNode n, E entity);

    /** Those of a kind that has a table. */
    @SuppressWarnings("unchecked")
    static <E> Fields<E> of(Kind<E> kind) {
        return (Fields<E>) Objects.requireNonNull(Registry.ALL.get(kind), () -> "no fields of " + kind);
    }

    /** The fields of every kind that has a table. */
    final class Registry {
        private static final Map<Kind<?>, Fields<?>> ALL = Map.ofEntries(
                Map.entry(Kind.SEGMENT, new SegmentFields()),
                Map.entry(Kind.HOST, new HostFields()),
                Map.entry(Kind.APPLICATION, new ApplicationFields()),
                Map.entry(Kind.UNIVERSE, new UniverseFields()),
                Map.entry(Kind.STREAM, new StreamFields()),
                Map.entry(Kind.RECEIVER, new ReceiverFields()),
                Map.entry(Kind.LINE, new LineFields()),
                Map.entry(Kind.FIXTURE, new FixtureFields()),
                Map.entry(Kind.LINK, new LinkFields()),
                Map.entry(Kind.ATTACHMENT, new AttachmentFields()),
                Map.entry(Kind.SESSION, new SessionFields()),
                Map.entry(Kind.CABLE, new CableFields()),
                Map.entry(Kind.COPY, new CopyFields()),
                Map.entry(Kind.FIXTURE_TYPE, new FixtureTypeFields()),
                Map.entry(Kind.PATCH_LIST, new PatchListFields()),
                Map.entry(Kind.PIXEL_RUN, new PixelRunFields()),
                Map.entry(Kind.PIXEL_OUTPUT, new PixelOutputFields()),
                Map.entry(Kind.SURROUNDING, new SurroundingFields()),
                Map.entry(Kind.GROUND_PICTURE, new GroundPictureFields()),
                Map.entry(Kind.VIEWPOINT, new ViewpointFields()));

        private Registry() {}
    }
}
