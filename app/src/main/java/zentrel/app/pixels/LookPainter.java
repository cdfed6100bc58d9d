package zentrel.app.pixels;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import zentrel.app.pixels.PixelSight.Wire;
import zentrel.live.SendJob;
import zentrel.live.SendLook;
import zentrel.pixel.PixelLook;
import zentrel.pixel.PixelMap;
import zentrel.plan.Universe;
import zentrel.profile.Protocol;

/** The levels of a look, universe by universe, as they are sent. In the net's turn; all universes of a step are worked out at once. */
final class LookPainter implements SendLook.Painted.Painter {
    private static final int PRIORITY = 100;
    private static final double RATE = 40;

    private final PixelMap map;
    private final PixelLook look;
    private final PixelLook.Run run;
    private final Map<Wire, Integer> universes = new HashMap<>();
    private final byte[] levels;
    private long filled = -1;

    LookPainter(PixelSight sight, PixelLook look, PixelLook.Run run) {
        map = sight.map();
        this.look = look;
        this.run = run;
        levels = map.levels();
        for (int i = 0; i < sight.wires().size(); i++) {
            int universe = i;
            sight.wires().get(i).ifPresent(w -> universes.putIfAbsent(w, universe));
        }
    }

    @Override
    public byte[] levels(long step, Protocol protocol, int wire) {
        if (step != filled) {
            look.fill(map, levels, step / RATE, run);
            filled = step;
        }
        Integer universe = universes.get(new Wire(protocol, wire));
        return universe == null
                ? new byte[Universe.SLOTS]
                : Arrays.copyOfRange(levels, universe * Universe.SLOTS, (universe + 1) * Universe.SLOTS);
    }

    /** What is to be sent: a job for each protocol. */
    List<SendJob> jobs() {
        List<SendJob> jobs = new ArrayList<>();
        for (Protocol protocol : List.of(Protocol.ARTNET, Protocol.SACN)) {
            List<Integer> numbers = universes.keySet().stream()
                    .filter(w -> w.protocol() == protocol && protocol.carries(w.number()))
                    .map(Wire::number)
                    .sorted()
                    .toList();
            if (!numbers.isEmpty()) {
                jobs.add(new SendJob(
                        protocol,
                        numbers,
                        SendJob.usual(protocol),
                        List.of(),
                        PRIORITY,
                        false,
                        0,
                        RATE,
                        new SendLook.Painted(this, 1 / RATE),
                        true));
            }
        }
        return jobs;
    }
}
