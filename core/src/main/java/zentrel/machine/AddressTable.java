package zentrel.machine;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.plan.Setting;
import zentrel.table.TextTable;

/** The addresses of a plan as a table for a spreadsheet. */
public final class AddressTable {
    private static final List<String> HEAD =
            List.of("Host", "Place", "Adapter", "Segment", "Address", "Mask", "Gateway", "MAC", "In force");

    private AddressTable() {}

    /** A row for each address, and for each adapter without one. */
    public static TextTable of(Plan plan) {
        List<List<String>> rows = new ArrayList<>();
        rows.add(HEAD);
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                for (int i = 0; i < Math.max(1, adapter.addresses().size()); i++) {
                    rows.add(row(plan, host, adapter, i));
                }
            }
        }
        return new TextTable(rows);
    }

    private static List<String> row(Plan plan, Host host, Adapter adapter, int at) {
        Optional<Setting<HostAddress>> address = at < adapter.addresses().size()
                ? Optional.of(adapter.addresses().get(at).address())
                : Optional.empty();
        return List.of(
                host.name(),
                host.place(),
                adapter.name(),
                adapter.segment().map(plan.index()::name).orElse(""),
                address.map(a -> a.planned().address().toString()).orElse(""),
                address.map(a -> a.planned().mask().toString()).orElse(""),
                adapter.gateway().map(Ipv4Address::toString).orElse(""),
                adapter.mac().orElse(""),
                address.map(a -> a.isPending() ? "no, now " + a.inForce().address() : "yes")
                        .orElse(""));
    }
}
