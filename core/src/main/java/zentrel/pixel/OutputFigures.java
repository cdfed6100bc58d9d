package zentrel.pixel;

import java.util.List;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.plan.*;

/**
 * Rate and power of a pixel output.
 *
 * @param refresh how often it shows a picture; of mixed types, the most pixels are those of the first
 * @param power what its pixels draw at the brightness that is allowed
 * @param wattsAtFull what they would draw without a limit
 */
public record OutputFigures(PixelRefresh refresh, PixelPower power, double wattsAtFull) {
    /** Resistance of a metre of a run, both ways together (common practice, no source). */
    private static final double RUN_OHMS = 0.1;

    private static final double DROP_ALLOWED = 0.1;
    /** Packets a second of a full universe on a DMX line (ANSI E1.11), where no source sends it. */
    private static final double DMX_RATE = 44;
    /** A controller that says nothing of its rate is taken to be fast enough. */
    private static final int ANY_RATE = 10_000;

    /**
     * Works them out.
     *
     * @throws IllegalArgumentException where the output has no pixels
     */
    public static OutputFigures of(Plan plan, Out out) {
        if (out.runs().isEmpty()) {
            throw new IllegalArgumentException(out.output().name() + " has no pixels.");
        }
        PixelLimits limits = out.output().limits();
        PixelSupply supply = out.output().supply();
        double frame = frameMillis(out.runs(), out.output().division().skipped());
        PixelRun first = out.runs().get(0);
        PixelRefresh refresh = PixelRefresh.of(
                first.type(),
                frame,
                networkRate(plan, out.output()),
                limits.rate() == 0 ? ANY_RATE : limits.rate(),
                limits.wanted());
        double milliamps = 0;
        double metres = 0;
        int pixels = 0;
        for (PixelRun run : out.runs()) {
            milliamps += (double) run.pixels() * run.type().milliamps();
            metres += run.pixels() * run.shape().pitch();
            pixels += run.pixels();
        }
        PixelPower power = PixelPower.of(new PixelPower.Run(
                pixels,
                milliamps / pixels,
                supply.brightness() / 100.0,
                supply.volts(),
                metres,
                RUN_OHMS,
                supply.cableMetres(),
                supply.cableSquare(),
                DROP_ALLOWED));
        return new OutputFigures(refresh, power, milliamps / 1000 * supply.volts());
    }

    /** Frames of runs one behind the other on one data line: the pause comes once. */
    private static double frameMillis(List<PixelRun> runs, int skipped) {
        double all = 0;
        double pause = 0;
        for (PixelRun run : runs) {
            PixelType t = run.type();
            pause = t.chip().frameMillis(0, t.components(), t.bits());
            all += t.chip().frameMillis(run.pixels(), t.components(), t.bits()) - pause;
        }
        PixelType first = runs.get(0).type();
        all += first.chip().frameMillis(skipped, first.components(), first.bits())
                - first.chip().frameMillis(0, first.components(), first.bits());
        return all + pause;
    }

    /** Frames a second that arrive: of the slowest stream of its universes, else what DMX carries. */
    private static double networkRate(Plan plan, PixelOutput output) {
        return output.ports().stream()
                .flatMap(p -> plan.index().port(p).universe().stream())
                .flatMap(u -> plan.index().streamsOf(u).stream())
                .mapToDouble(Stream::ratePerSecond)
                .filter(r -> r > 0)
                .min()
                .orElse(DMX_RATE);
    }

    /**
     * Whether parts of two pictures may be seen at once: its universes arrive one after the other, and some source of one sends no
     * synchronization with it.
     */
    public static boolean tears(Plan plan, PixelOutput output) {
        return output.ports().size() > 1
                && output.ports().stream()
                        .flatMap(p -> plan.index().port(p).universe().stream())
                        .flatMap(u -> plan.index().streamsOf(u).stream())
                        .anyMatch(s -> s.sync().isEmpty());
    }

    /** The brightness that its supply allows, percent; 100 where nobody said what it gives. */
    public int brightnessAllowed(PixelSupply supply) {
        return supply.watts() == 0 || supply.watts() >= wattsAtFull
                ? 100
                : (int) Math.floor(100 * supply.watts() / wattsAtFull);
    }
}
