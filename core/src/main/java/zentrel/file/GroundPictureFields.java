package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;

/** Ground pictures in a plan file, with the bytes of their own files as Base64. */
final class GroundPictureFields implements Fields<GroundPicture> {
    private static final double FARTHEST_PIXEL = 100_000;

    @Override
    public GroundPicture read(JsonPlace p, References refs) {
        Id<GroundPicture> id = refs.declare(p, Kind.GROUND_PICTURE);
        return new GroundPicture(
                id,
                p.text("name", id.value()),
                FixtureFields.position(p.need("position")),
                FixtureFields.degrees(p, "turn", 0, 360),
                new KnownLength(
                        pixel(p, "x1"),
                        pixel(p, "y1"),
                        pixel(p, "x2"),
                        pixel(p, "y2"),
                        p.need("metres").number(0, Position.FARTHEST)),
                p.optional("picture")
                        .map(x -> x.parsed(text -> PictureFile.unpacked(
                                p.need("pictureWidth").integer(1, PictureFile.MOST_PIXELS),
                                p.need("pictureHeight").integer(1, PictureFile.MOST_PIXELS),
                                text)))
                        .orElse(PictureFile.NONE));
    }

    private static double pixel(JsonPlace p, String field) {
        return p.need(field).number(-FARTHEST_PIXEL, FARTHEST_PIXEL);
    }

    @Override
    public void write(ObjectNode n, GroundPicture g) {
        named(n, g);
        FixtureFields.position(n, g.position());
        number(n, "turn", g.turn(), 0);
        n.put("x1", g.known().x1()).put("y1", g.known().y1());
        n.put("x2", g.known().x2()).put("y2", g.known().y2());
        n.put("metres", g.known().metres());
        if (g.picture().isThere()) {
            n.put("pictureWidth", g.picture().width())
                    .put("pictureHeight", g.picture().height())
                    .put("picture", g.picture().packed());
        }
    }
}
