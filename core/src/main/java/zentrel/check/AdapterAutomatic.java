package zentrel.check;

/** Left to the system, which has several adapters: {@code adapter.automatic}. */
final class AdapterAutomatic extends PathRule {
    AdapterAutomatic() {
        super(
                "adapter.automatic",
                "Left to the system, which has several adapters",
                "With several adapters the system decides by its own order which one groups and broadcasts leave by. That order changes with a cable, a driver or a restart: it worked yesterday.");
    }
}
