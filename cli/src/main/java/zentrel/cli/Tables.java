package zentrel.cli;

import zentrel.check.Check;
import zentrel.machine.AddressTable;
import zentrel.plan.Plan;
import zentrel.routing.RoutingTable;
import zentrel.session.StartTable;
import zentrel.table.TextTable;

/** The tables that go out and come in. */
final class Tables {
    /** What a table is of. */
    enum What {
        addresses("Addresses"),
        routes("Routes"),
        start("Start order");

        private final String title;

        What(String title) {
            this.title = title;
        }

        /** Whether a table of it can be taken over again. */
        boolean comesIn() {
            return this != start;
        }

        String title() {
            return title;
        }

        TextTable of(Plan plan) {
            return switch (this) {
                case addresses -> AddressTable.of(plan);
                case routes -> RoutingTable.of(plan);
                case start -> StartTable.of(Check.run(plan));
            };
        }
    }

    private Tables() {}
}
