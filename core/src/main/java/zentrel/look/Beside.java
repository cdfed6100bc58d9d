package zentrel.look;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import zentrel.path.Hop;
import zentrel.path.Leg;
import zentrel.path.SignalPath;
import zentrel.path.SignalPaths;
import zentrel.path.Verdict;
import zentrel.path.words.PathWords;
import zentrel.plan.*;

/**
 * A path that works beside one that does not, and the hops at which the two differ.
 *
 * @param works the path most like the other, of those that pass
 * @param differ the hops whose verdicts differ, counted along all legs from 0
 * @param says the first of them in a sentence
 */
public record Beside(SignalPath works, List<Integer> differ, String says) {
    private static final int SAME_SOURCE = 8;
    private static final int SAME_BOX = 4;
    private static final int SAME_PROTOCOL = 16;
    private static final int SAME_DELIVERY = 2;

    public Beside {
        differ = List.copyOf(differ);
    }

    /** Finds it; empty where no path of the plan works that has as many legs. */
    public static Optional<Beside> of(SignalPaths paths, SignalPath dark) {
        PlanIndex index = paths.plan().index();
        return paths.all().stream()
                .filter(p -> p.verdict() == Verdict.PASSES
                        && p.legs().size() == dark.legs().size()
                        && p.protocol().equals("osc") == dark.protocol().equals("osc")
                        && !same(p, dark))
                .max(Comparator.comparingInt(p -> likeness(index, p, dark)))
                .map(p -> beside(index, p, dark));
    }

    private static boolean same(SignalPath a, SignalPath b) {
        return a.signal().equals(b.signal()) && a.receiver().equals(b.receiver());
    }

    private static int likeness(PlanIndex index, SignalPath a, SignalPath b) {
        return (a.protocol().equals(b.protocol()) ? SAME_PROTOCOL : 0)
                + (a.source().equals(b.source()) ? SAME_SOURCE : 0)
                + (box(index, a).isPresent() && box(index, a).equals(box(index, b)) ? SAME_BOX : 0)
                + (a.delivery().equals(b.delivery()) ? SAME_DELIVERY : 0)
                + (a.signal().equals(b.signal()) ? 1 : 0);
    }

    private static Optional<Id<Host>> box(PlanIndex index, SignalPath path) {
        return path.receiver().flatMap(r -> index.hostAt(r)).map(Host::id);
    }

    private static Beside beside(PlanIndex index, SignalPath works, SignalPath dark) {
        List<Integer> differ = new ArrayList<>();
        int place = 0;
        String says = "";
        for (int leg = 0; leg < dark.legs().size(); leg++) {
            Leg mine = dark.legs().get(leg);
            Leg other = works.legs().get(leg);
            for (int i = 0; i < mine.hops().size(); i++) {
                Hop here = mine.hops().get(i);
                Hop there = other.hops().get(i);
                if (here.verdict() != there.verdict()) {
                    differ.add(place);
                    says = says.isEmpty() ? sentence(index, works, here, there) : says;
                }
                place++;
            }
        }
        return new Beside(works, differ, says.isEmpty() ? "The two differ at no hop." : says);
    }

    private static String sentence(PlanIndex index, SignalPath works, Hop here, Hop there) {
        PathWords words = new PathWords(index);
        return "What reaches " + works.receiver().map(index::name).orElse("its port") + " works; the two part at hop "
                + here.kind().number() + " (" + here.kind().title() + "): there "
                + words.brief(there) + ", here " + words.brief(here) + ".";
    }
}
