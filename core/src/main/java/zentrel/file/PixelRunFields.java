package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import zentrel.plan.*;
import zentrel.profile.PixelChip;

/** Pixel runs in a plan file; their points are packed. */
final class PixelRunFields implements Fields<PixelRun> {
    private static final int MOST_MILLIAMPS = 10_000;
    private static final PixelWiring WIRED = PixelWiring.USUAL;
    private static final PixelType TYPE = PixelType.USUAL;

    @Override
    public PixelRun read(JsonPlace p, References refs) {
        Id<PixelRun> id = refs.declare(p, Kind.PIXEL_RUN);
        return new PixelRun(
                id,
                p.text("name", id.value()),
                new PixelShape(
                        p.word("form", PixelForm.class, PixelForm.STRIP),
                        p.need("columns").integer(1, PixelPoints.MOST),
                        p.optional("rows")
                                .map(r -> r.integer(1, PixelPoints.MOST))
                                .orElse(1),
                        p.need("pitch").number(0, Position.FARTHEST),
                        p.optional("points")
                                .map(x -> x.parsed(PixelPoints::unpacked))
                                .orElse(PixelPoints.NONE)),
                new PixelWiring(
                        p.word("first", PixelCorner.class, WIRED.first()),
                        p.bool("byColumns", false),
                        p.bool("serpentine", false)),
                new PixelType(
                        p.word("chip", PixelChip.class, TYPE.chip()),
                        p.text("order", TYPE.order()),
                        p.optional("bits").map(b -> b.integer(8, 16)).orElse(TYPE.bits()),
                        p.optional("milliamps")
                                .map(m -> m.integer(1, MOST_MILLIAMPS))
                                .orElse(TYPE.milliamps())),
                new PixelPlacing(
                        p.optional("position").map(FixtureFields::position).orElse(PixelPlacing.USUAL.at()),
                        p.optional("turn").map(t -> t.integer(0, 270)).orElse(0),
                        p.bool("mirrored", false),
                        p.bool("flat", false)),
                p.optional("fixture").map(f -> refs.refer(f, Kind.FIXTURE)));
    }

    @Override
    public void write(ObjectNode n, PixelRun r) {
        named(n, r);
        word(n, "form", r.shape().form(), PixelForm.STRIP);
        n.put("columns", r.shape().columns());
        number(n, "rows", r.shape().rows(), 1);
        n.put("pitch", r.shape().pitch());
        if (r.shape().points().count() > 0) {
            n.put("points", r.shape().points().packed());
        }
        word(n, "first", r.wiring().first(), WIRED.first());
        flag(n, "byColumns", r.wiring().byColumns(), false);
        flag(n, "serpentine", r.wiring().serpentine(), false);
        word(n, "chip", r.type().chip(), TYPE.chip());
        text(n, "order", r.type().order(), TYPE.order());
        number(n, "bits", r.type().bits(), TYPE.bits());
        number(n, "milliamps", r.type().milliamps(), TYPE.milliamps());
        if (!r.placing().at().equals(PixelPlacing.USUAL.at())) {
            FixtureFields.position(n, r.placing().at());
        }
        number(n, "turn", r.placing().turn(), 0);
        flag(n, "mirrored", r.placing().mirrored(), false);
        flag(n, "flat", r.placing().flat(), false);
        r.fixture().ifPresent(f -> n.put("fixture", f.value()));
    }
}
