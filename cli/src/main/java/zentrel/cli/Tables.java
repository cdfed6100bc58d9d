package zentrel.cli;

import zentrel.machine.AddressTable;
import zentrel.plan.Plan;
import zentrel.routing.RoutingTable;
import zentrel.table.TextTable;

/** The tables that go out and come in. */
final class Tables {
    /** What a table is of. */
    enum What {
        addresses("Addresses"),
        routes("Routes");

        private final String title;

        What(String title) {
            this.title = title;
        }

        String title() {
            return title;
        }

        TextTable of(Plan plan) {
            return this == addresses ? AddressTable.of(plan) : RoutingTable.of(plan);
        }
    }

    private Tables() {}
}
