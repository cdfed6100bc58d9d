package zentrel.check;

import zentrel.plan.Stream;

/** Synchronisation that never comes: {@code universe.sync}. */
final class UniverseSync extends PathRule {
    UniverseSync() {
        super(
                "universe.sync",
                "Synchronisation that never comes",
                "Data may say that it waits for a synchronisation packet (ANSI E1.31-2018 §6.2.4). Where nobody sends it, a receiver that keeps to the standard holds every packet back, while one that does not know of it works: some lights follow and some do not.");
    }

    @Override
    public boolean applies(CheckContext context) {
        for (Stream stream : context.plan().streams()) {
            if (stream.sync().isPresent()) { // a plain loop: most rigs have none, and all are asked
                return true;
            }
        }
        return false;
    }
}
