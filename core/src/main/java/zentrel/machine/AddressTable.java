package zentrel.machine;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import zentrel.ipv4.Ipv4Address;
import zentrel.plan.Adapter;
import zentrel.plan.AdapterAddress;
import zentrel.plan.Host;
import zentrel.plan.Plan;

/** The addresses of a plan as a table for a spreadsheet. */
public final class AddressTable {
    private static final List<String> HEAD =
            List.of("Host", "Place", "Adapter", "Segment", "Address", "Mask", "Gateway", "MAC", "In force");

    private AddressTable() {}

    /**
     * A row for each address, and for each adapter without one: fields with commas as RFC 4180 says. A field that a spreadsheet
     * would take for a formula gets an apostrophe in front.
     */
    public static String csv(Plan plan) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter csv = new CSVPrinter(text, CSVFormat.RFC4180)) {
            csv.printRecord(HEAD);
            for (Host host : plan.hosts()) {
                for (Adapter adapter : host.adapters()) {
                    for (int i = 0; i < Math.max(1, adapter.addresses().size()); i++) {
                        row(csv, plan, host, adapter, i);
                    }
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e); // it is written into memory
        }
        return text.toString();
    }

    private static void row(CSVPrinter csv, Plan plan, Host host, Adapter adapter, int at) throws IOException {
        AdapterAddress address =
                at < adapter.addresses().size() ? adapter.addresses().get(at) : null;
        csv.printRecord(
                plain(host.name()),
                plain(host.place()),
                plain(adapter.name()),
                plain(adapter.segment().map(plan.index()::name).orElse("")),
                address == null ? "" : address.address().planned().address(),
                address == null ? "" : address.address().planned().mask(),
                adapter.gateway().map(Ipv4Address::toString).orElse(""),
                plain(adapter.mac().orElse("")),
                address == null
                        ? ""
                        : address.address().isPending()
                                ? "no, now " + address.inForce().address()
                                : "yes");
    }

    private static String plain(String text) {
        return text.isEmpty() || "=+-@\t\r".indexOf(text.charAt(0)) < 0 ? text : "'" + text;
    }
}
