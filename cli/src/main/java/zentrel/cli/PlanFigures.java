package zentrel.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.Locale;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.OutputFigures;
import zentrel.plan.PixelSupply;
import zentrel.plan.Plan;

/** Rate and power of every pixel output of a plan, for {@code pixels refresh} and {@code pixels power}. */
final class PlanFigures {
    private PlanFigures() {}

    /** What is said of an output; whether it is as wanted. */
    private interface Telling {
        boolean tell(Out of, OutputFigures figures, ObjectNode node, StringBuilder text);
    }

    static int refresh(Plan plan, Output out) throws Refusal {
        return each(plan, out, (o, f, node, text) -> {
            int wanted = o.output().limits().wanted();
            node.put("frameMs", f.refresh().frameMillis())
                    .put("perSecond", f.refresh().perSecond())
                    .put("reached", f.refresh().reached())
                    .put("limit", f.refresh().limit().word())
                    .put("wanted", wanted)
                    .put("mostPixels", f.refresh().mostPixels());
            text.append(String.format(
                    Locale.ROOT,
                    "%d pixels, a frame takes %.2f ms; %.2f a second reached, %d wanted, the %s limits it.",
                    o.pixels(),
                    f.refresh().frameMillis(),
                    f.refresh().reached(),
                    wanted,
                    f.refresh().limit().word().replace('-', ' ')));
            return f.refresh().reached() >= wanted;
        });
    }

    static int power(Plan plan, Output out) throws Refusal {
        return each(plan, out, (o, f, node, text) -> {
            PixelSupply supply = o.output().supply();
            boolean enough = supply.watts() == 0 || supply.watts() >= f.power().watts();
            node.put("amps", f.power().amps())
                    .put("watts", f.power().watts())
                    .put("supplyWatts", f.power().supplyWatts())
                    .put("fuseAmps", f.power().fuseAmps())
                    .put("feeds", f.power().feeds())
                    .put("enough", enough);
            text.append(String.format(
                    Locale.ROOT,
                    "%d pixels at %d %%: %.2f A, %.2f W",
                    o.pixels(),
                    supply.brightness(),
                    f.power().amps(),
                    f.power().watts()));
            text.append(
                    supply.watts() == 0
                            ? "; nobody said what its supply gives."
                            : String.format(
                                    Locale.ROOT,
                                    "; the supply gives %.0f W%s",
                                    supply.watts(),
                                    enough ? "." : ": limit the brightness to " + f.brightnessAllowed(supply) + " %."));
            return enough;
        });
    }

    private static int each(Plan plan, Output out, Telling telling) throws Refusal {
        ObjectNode root = Output.JSON.objectNode();
        ArrayNode all = root.putArray("outputs");
        boolean asWanted = true;
        for (ControllerSplit split : ControllerSplit.all(plan)) {
            for (Out o : split.outputs()) {
                if (o.runs().isEmpty()) {
                    continue;
                }
                String controller = plan.index().get(split.receiver()).name();
                ObjectNode node = all.addObject()
                        .put("controller", controller)
                        .put("output", o.output().name())
                        .put("pixels", o.pixels());
                StringBuilder text =
                        new StringBuilder(controller + ", " + o.output().name() + ": ");
                asWanted &= telling.tell(o, OutputFigures.of(plan, o), node, text);
                if (!out.json) {
                    out.line(text.toString());
                }
            }
        }
        if (all.isEmpty()) {
            throw new Refusal("No pixel controller of this plan has pixels on an output.");
        }
        if (out.json) {
            out.json(root);
        }
        return asWanted ? 0 : 1;
    }
}
