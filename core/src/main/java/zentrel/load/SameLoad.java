package zentrel.load;

import java.util.List;
import java.util.function.BiPredicate;
import zentrel.index.ListChange;
import zentrel.plan.*;

/**
 * Whether an edit left alone all that the load of a plan depends on, and the names of the boxes that carry it: numbers,
 * addresses and priorities do not matter to it.
 */
final class SameLoad {
    private SameLoad() {}

    static boolean of(Plan then, Plan now) {
        return each(then.streams(), now.streams(), SameLoad::stream)
                && each(then.applications(), now.applications(), SameLoad::application)
                && each(then.hosts(), now.hosts(), SameLoad::host)
                && each(then.receivers(), now.receivers(), SameLoad::receiver)
                && each(then.fixtures(), now.fixtures(), SameLoad::fixture)
                && ListChange.of(then.lines(), now.lines()).isNone()
                && ListChange.of(then.cables(), now.cables()).isNone()
                && ListChange.of(then.profiles(), now.profiles()).isNone(); // they say what passes the network on
    }

    private static <T> boolean each(List<T> then, List<T> now, BiPredicate<T, T> same) {
        ListChange<T> change = ListChange.of(then, now);
        return pairwise(change.gone(), change.come(), same);
    }

    private static <T> boolean pairwise(List<T> then, List<T> now, BiPredicate<T, T> same) {
        boolean all = then.size() == now.size();
        for (int i = 0; all && i < then.size(); i++) {
            all = same.test(then.get(i), now.get(i));
        }
        return all;
    }

    private static boolean stream(Stream a, Stream b) {
        return a.id().equals(b.id())
                && a.application().equals(b.application())
                && a.universe().equals(b.universe())
                && a.protocol() == b.protocol()
                && a.delivery() == b.delivery()
                && a.enabled().inForce().equals(b.enabled().inForce())
                && a.standby() == b.standby()
                && a.ratePerSecond() == b.ratePerSecond();
    }

    private static boolean application(Application a, Application b) {
        return a.id().equals(b.id())
                && a.host().equals(b.host())
                && a.outputs().equals(b.outputs())
                && a.bindings().equals(b.bindings());
    }

    private static boolean host(Host a, Host b) {
        return a.id().equals(b.id())
                && a.name().equals(b.name())
                && a.kind() == b.kind()
                && a.system() == b.system()
                && a.profile().equals(b.profile())
                && a.power().equals(b.power())
                && a.switching().equals(b.switching())
                && pairwise(a.adapters(), b.adapters(), SameLoad::adapter);
    }

    private static boolean adapter(Adapter a, Adapter b) {
        return a.id().equals(b.id())
                && a.name().equals(b.name())
                && a.kind() == b.kind()
                && a.segment().equals(b.segment())
                && a.plug().equals(b.plug());
    }

    private static boolean receiver(Receiver a, Receiver b) {
        return a.id().equals(b.id())
                && a.application().equals(b.application())
                && pairwise(a.ports(), b.ports(), SameLoad::port);
    }

    private static boolean port(Port a, Port b) {
        return a.id().equals(b.id())
                && a.universe().equals(b.universe())
                && a.protocol().inForce() == b.protocol().inForce();
    }

    /** A port may be meant for what its line's fixtures are patched in. */
    private static boolean fixture(Fixture a, Fixture b) {
        return a.id().equals(b.id())
                && a.lines().equals(b.lines())
                && a.universes().equals(b.universes());
    }
}
