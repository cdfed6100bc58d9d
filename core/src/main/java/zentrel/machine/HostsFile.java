package zentrel.machine;

import java.text.Normalizer;
import java.util.HashSet;
import java.util.Locale;
import java.util.Set;
import zentrel.plan.Adapter;
import zentrel.plan.Host;
import zentrel.plan.Plan;
import zentrel.text.PlainText;

/** Names for addresses, as every system reads them from its hosts file. */
public final class HostsFile {
    /** The longest label of a name (RFC 1035, 2.3.4). */
    private static final int LONGEST = 63;

    private HostsFile() {}

    /** A line for each host that has an address: the address, and the host's name as a label. */
    public static String of(Plan plan) {
        StringBuilder text = new StringBuilder("# " + PlainText.cleaned(plan.name()) + "\n");
        Set<String> taken = new HashSet<>();
        for (Host host : plan.hosts()) {
            for (Adapter adapter : host.adapters()) {
                if (!adapter.addresses().isEmpty() && adapter.needsCarrier()) {
                    text.append(adapter.addresses().get(0).address().planned().address())
                            .append('\t')
                            .append(label(host.name(), taken))
                            .append('\n');
                }
            }
        }
        return text.toString();
    }

    /**
     * A name as a DNS label: lower-case letters, digits and hyphens, none at an end (RFC 1123, 2.1), at most 63 of them, and
     * not among those taken, to which it is added.
     */
    static String label(String name, Set<String> taken) {
        String plain = Normalizer.normalize(name, Normalizer.Form.NFD)
                .replaceAll("\\p{M}", "")
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-+|-+$", "");
        String base = plain.isEmpty() ? "host" : plain.substring(0, Math.min(plain.length(), LONGEST - 5));
        base = base.replaceAll("-+$", "");
        String label = base;
        for (int i = 2; !taken.add(label); i++) {
            label = base + "-" + i;
        }
        return label;
    }
}
