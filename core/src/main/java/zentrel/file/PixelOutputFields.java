package zentrel.file;

import static zentrel.file.JsonOut.*;

import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.function.Function;
import zentrel.plan.*;

/** Outputs of pixel controllers in a plan file. */
final class PixelOutputFields implements Fields<PixelOutput> {
    private static final int MOST = 1_000_000;
    private static final PixelDivision DIVIDED = PixelDivision.USUAL;
    private static final PixelLimits LIMITS = PixelLimits.USUAL;
    private static final PixelSupply SUPPLY = PixelSupply.USUAL;

    @Override
    public PixelOutput read(JsonPlace p, References refs) {
        Id<PixelOutput> id = refs.declare(p, Kind.PIXEL_OUTPUT);
        return new PixelOutput(
                id,
                p.text("name", id.value()),
                refs.refer(p.need("receiver"), Kind.RECEIVER),
                p.list("ports").stream().map(x -> refs.refer(x, Kind.PORT)).toList(),
                p.list("runs").stream().map(x -> refs.refer(x, Kind.PIXEL_RUN)).toList(),
                new PixelDivision(
                        p.bool("straddles", false),
                        p.bool("goesOn", false),
                        whole(p, "firstSlot", DIVIDED.firstSlot()),
                        whole(p, "perUniverse", DIVIDED.perUniverse()),
                        whole(p, "skipped", DIVIDED.skipped()),
                        whole(p, "together", DIVIDED.together())),
                new PixelLimits(
                        whole(p, "mostPixels", LIMITS.pixels()),
                        whole(p, "mostUniverses", LIMITS.universes()),
                        whole(p, "rate", LIMITS.rate()),
                        whole(p, "wanted", LIMITS.wanted())),
                new PixelSupply(
                        decimal(p, "volts", SUPPLY.volts()),
                        decimal(p, "watts", SUPPLY.watts()),
                        whole(p, "brightness", SUPPLY.brightness()),
                        whole(p, "feeds", SUPPLY.feeds()),
                        decimal(p, "cableMetres", SUPPLY.cableMetres()),
                        decimal(p, "cableSquare", SUPPLY.cableSquare())));
    }

    private static int whole(JsonPlace p, String field, int usual) {
        return read(p, field, x -> x.integer(0, MOST), usual);
    }

    private static double decimal(JsonPlace p, String field, double usual) {
        return read(p, field, x -> x.number(0, MOST), usual);
    }

    private static <V> V read(JsonPlace p, String field, Function<JsonPlace, V> how, V usual) {
        return p.optional(field).map(how).orElse(usual);
    }

    @Override
    public void write(ObjectNode n, PixelOutput o) {
        named(n, o);
        n.put("receiver", o.receiver().value());
        texts(n, "ports", o.ports().stream().map(Id::value).toList());
        texts(n, "runs", o.runs().stream().map(Id::value).toList());
        flag(n, "straddles", o.division().straddles(), false);
        flag(n, "goesOn", o.division().goesOn(), false);
        number(n, "firstSlot", o.division().firstSlot(), DIVIDED.firstSlot());
        number(n, "perUniverse", o.division().perUniverse(), DIVIDED.perUniverse());
        number(n, "skipped", o.division().skipped(), DIVIDED.skipped());
        number(n, "together", o.division().together(), DIVIDED.together());
        number(n, "mostPixels", o.limits().pixels(), LIMITS.pixels());
        number(n, "mostUniverses", o.limits().universes(), LIMITS.universes());
        number(n, "rate", o.limits().rate(), LIMITS.rate());
        number(n, "wanted", o.limits().wanted(), LIMITS.wanted());
        number(n, "volts", o.supply().volts(), SUPPLY.volts());
        number(n, "watts", o.supply().watts(), SUPPLY.watts());
        number(n, "brightness", o.supply().brightness(), SUPPLY.brightness());
        number(n, "feeds", o.supply().feeds(), SUPPLY.feeds());
        number(n, "cableMetres", o.supply().cableMetres(), SUPPLY.cableMetres());
        number(n, "cableSquare", o.supply().cableSquare(), SUPPLY.cableSquare());
    }
}
