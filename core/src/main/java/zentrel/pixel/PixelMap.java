package zentrel.pixel;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import zentrel.pixel.ControllerSplit.Out;
import zentrel.pixel.ControllerSplit.Piece;
import zentrel.pixel.PixelLayout.Bounds;
import zentrel.plan.*;

/**
 * Every pixel of a plan: where it is and by which slot it lights. Packed, so that a hundred thousand are drawn and filled in plain
 * loops. Immutable.
 */
public final class PixelMap {
    /** A pixel that no slot reaches. */
    public static final int NOWHERE = -1;

    private final List<PixelRun> runs;
    private final List<PixelLayout> layouts;
    private final int[] firsts;
    private final int[] at;
    private final List<Optional<Id<Port>>> ports;
    private final List<Optional<Id<Universe>>> universes;
    private final List<Optional<Id<PixelOutput>>> outputs;

    private PixelMap(
            List<PixelRun> runs,
            int[] at,
            List<Optional<Id<Port>>> ports,
            List<Optional<Id<Universe>>> universes,
            List<Optional<Id<PixelOutput>>> outputs) {
        this.runs = runs;
        this.at = at;
        this.ports = ports;
        this.universes = universes;
        this.outputs = outputs;
        layouts = runs.stream().map(PixelLayout::of).toList();
        firsts = new int[runs.size() + 1];
        for (int i = 0; i < runs.size(); i++) {
            firsts[i + 1] = firsts[i] + runs.get(i).pixels();
        }
    }

    /** The pixels of a plan as its controllers put them out. */
    public static PixelMap of(Plan plan) {
        return of(plan, ControllerSplit.all(plan));
    }

    /** The pixels of a plan, where the split of every controller is known. */
    public static PixelMap of(Plan plan, List<ControllerSplit> splits) {
        List<PixelRun> runs = plan.pixelRuns();
        Map<Id<PixelRun>, Integer> firsts = new HashMap<>();
        int count = 0;
        for (PixelRun run : runs) {
            firsts.put(run.id(), count);
            count += run.pixels();
        }
        int[] at = new int[count];
        Arrays.fill(at, NOWHERE);
        List<Optional<Id<Port>>> ports = new ArrayList<>();
        Map<Id<PixelRun>, Id<PixelOutput>> outputs = new HashMap<>();
        for (ControllerSplit split : splits) {
            int before = ports.size();
            for (int i = 0; i < split.universes(); i++) {
                ports.add(Optional.empty());
            }
            for (Out out : split.outputs()) {
                for (int i = 0;
                        i < Math.min(out.universes(), out.output().ports().size());
                        i++) {
                    ports.set(
                            before + out.firstUniverse() + i,
                            Optional.of(out.output().ports().get(i)));
                }
                out.runs().forEach(r -> outputs.put(r.id(), out.output().id()));
                put(at, firsts, before, out);
            }
        }
        return new PixelMap(
                List.copyOf(runs),
                at,
                List.copyOf(ports),
                ports.stream()
                        .map(p -> p.flatMap(x -> plan.index().port(x).universe()))
                        .toList(),
                runs.stream().map(r -> Optional.ofNullable(outputs.get(r.id()))).toList());
    }

    /** Where the pixels of an output begin; what goes on in the next universe does so at its first slot. */
    private static void put(int[] at, Map<Id<PixelRun>, Integer> firsts, int universesBefore, Out out) {
        int together = out.output().division().together();
        boolean goesOn = false;
        int next = 0;
        for (Piece piece : out.pieces()) {
            int each = piece.run().type().slots();
            int first = firsts.getOrDefault(piece.run().id(), 0);
            next = goesOn
                    ? next
                    : (universesBefore + piece.slots().number()) * Universe.SLOTS
                            + piece.slots().firstSlot()
                            - 1;
            for (int i = 0; i < piece.slots().pixels(); i++) {
                int driven = piece.slots().firstPixel() - 1 + i;
                int until = Math.min((driven + 1) * together, piece.run().pixels());
                Arrays.fill(at, first + driven * together, first + until, next);
                next += each;
            }
            goesOn = piece.slots().straddles();
        }
    }

    public List<PixelRun> runs() {
        return runs;
    }

    /** Where the pixels of a run are. */
    public PixelLayout layout(int run) {
        return layouts.get(run);
    }

    /** How many pixels there are. */
    public int count() {
        return at.length;
    }

    /** The first pixel of a run among all; of the run after the last, how many there are. */
    public int first(int run) {
        return firsts[run];
    }

    /** The run of a pixel. */
    public int runOf(int pixel) {
        int found = Arrays.binarySearch(firsts, pixel);
        return found >= 0 ? lastOf(found) : -found - 2;
    }

    private int lastOf(int found) {
        int run = found;
        while (run + 1 < runs.size() && firsts[run + 1] == firsts[found]) {
            run++;
        }
        return run;
    }

    /** Where the first slot of a pixel is among all slots of {@link #universes}, 512 each; {@link #NOWHERE} where none reaches it. */
    public int at(int pixel) {
        return at[pixel];
    }

    /** The universes, in the order in which their slots are counted; one without a number where too few ports bring them. */
    public List<Optional<Id<Universe>>> universes() {
        return universes;
    }

    /** By which port each of {@link #universes} arrives; none where an output has too few. */
    public List<Optional<Id<Port>>> ports() {
        return ports;
    }

    /** Which of {@link #universes} a pixel is in; {@link #NOWHERE} where none. */
    public int universeOf(int pixel) {
        return at[pixel] < 0 ? NOWHERE : at[pixel] / Universe.SLOTS;
    }

    /** The slot in its universe where a pixel begins, from 1. */
    public int slotOf(int pixel) {
        return at[pixel] % Universe.SLOTS + 1;
    }

    /** The output that drives a run. */
    public Optional<Id<PixelOutput>> outputOf(int run) {
        return outputs.get(run);
    }

    /** Slots for the levels of all universes. */
    public byte[] levels() {
        return new byte[universes.size() * Universe.SLOTS];
    }

    /** What all pixels fill; nothing where there are none. */
    public Bounds bounds() {
        return layouts.stream().map(PixelLayout::bounds).reduce(Bounds::and).orElse(Bounds.NOTHING);
    }
}
