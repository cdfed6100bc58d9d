package zentrel.check;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import zentrel.pixel.ControllerSplit;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.OutputFigures;
import zentrel.plan.*;
import zentrel.text.Numbers;

/** Pixels that draw more than their supply gives, or lose too much voltage on the way: {@code pixel.power}. */
final class PixelSupplyTooSmall extends PixelRule {
    PixelSupplyTooSmall() {
        super("pixel.power");
    }

    @Override
    Optional<Finding> finding(Plan plan, ControllerSplit split, Out out) {
        OutputFigures figures = OutputFigures.of(plan, out);
        PixelSupply supply = out.output().supply();
        if (supply.watts() > 0 && figures.power().watts() > supply.watts()) {
            return Optional.of(tooSmall(plan, out, figures));
        }
        return figures.power().feeds() > supply.feeds() ? Optional.of(dropping(out, figures)) : Optional.empty();
    }

    private Finding tooSmall(Plan plan, Out out, OutputFigures figures) {
        PixelSupply supply = out.output().supply();
        int allowed = figures.brightnessAllowed(supply);
        return about(
                Severity.AT_RISK,
                out,
                RuleWords.say(
                        id() + ".says/supply",
                        "count",
                        out.pixels(),
                        "brightness",
                        supply.brightness(),
                        "amps",
                        one(figures.power().amps()),
                        "volts",
                        Numbers.plain(supply.volts()),
                        "watts",
                        one(figures.power().watts()),
                        "output",
                        out.output().name(),
                        "gives",
                        Numbers.plain(supply.watts())),
                allowed < 1 ? List.of() : List.of(limited(plan, out, supply.withBrightness(allowed))));
    }

    /** Less brightness, and so many feeds as that needs. */
    private Edit limited(Plan plan, Out out, PixelSupply dimmer) {
        int feeds = OutputFigures.of(plan, out.withSupply(dimmer)).power().feeds();
        boolean more = feeds > dimmer.feeds();
        return with(
                out,
                RuleWords.say(
                        id() + (more ? ".fix/both" : ".fix/limit"),
                        "output",
                        out.output().name(),
                        "brightness",
                        dimmer.brightness(),
                        "feeds",
                        points(feeds)),
                more ? dimmer.withFeeds(feeds) : dimmer);
    }

    private Finding dropping(Out out, OutputFigures figures) {
        PixelSupply supply = out.output().supply();
        int feeds = figures.power().feeds();
        return about(
                Severity.AT_RISK,
                out,
                RuleWords.say(
                        id() + ".says/drop",
                        "feeds",
                        points(supply.feeds()),
                        "output",
                        out.output().name(),
                        "drop",
                        one(figures.power().dropFedAt(supply.feeds())),
                        "volts",
                        Numbers.plain(supply.volts()),
                        "brightness",
                        supply.brightness()),
                List.of(with(
                        out,
                        RuleWords.say(
                                id() + ".fix/feeds", "output", out.output().name(), "feeds", points(feeds)),
                        supply.withFeeds(feeds))));
    }

    private String points(int count) {
        return RuleWords.say("pixel.power.points/" + (count == 1 ? "one" : "many"), "count", count);
    }

    private static Edit with(Out out, String text, PixelSupply supply) {
        return new Edit(text, p -> p.with(out.output().id(), o -> o.withSupply(supply)));
    }

    private static String one(double value) {
        return String.format(Locale.ROOT, "%.1f", value);
    }
}
