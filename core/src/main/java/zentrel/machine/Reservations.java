package zentrel.machine;

import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Pattern;
import zentrel.ipv4.HostAddress;
import zentrel.plan.*;
import zentrel.text.PlainText;

/**
 * What a DHCP server is told so that each adapter always gets the address of the plan.
 *
 * @param given one for each address that can be given
 * @param leftOut a sentence for each adapter that cannot be, with the reason
 */
public record Reservations(List<Given> given, List<String> leftOut) {
    /**
     * One address for one adapter.
     *
     * @param mac six pairs of hexadecimal digits with colons
     * @param label its name as a DNS label (RFC 1123, 2.1), unique among these
     */
    public record Given(Segment segment, String mac, HostAddress address, String label) {}

    private static final Pattern MAC = Pattern.compile("[0-9A-Fa-f]{2}([:-][0-9A-Fa-f]{2}){5}");
    private static final int SECONDS = 43_200;
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    public Reservations {
        given = List.copyOf(given);
        leftOut = List.copyOf(leftOut);
    }

    /** The reservations of a plan, segment by segment. */
    public static Reservations of(Plan plan) {
        List<Given> given = new ArrayList<>();
        List<String> leftOut = new ArrayList<>();
        Set<String> labels = new HashSet<>();
        for (Segment segment : plan.segments()) {
            Set<String> macs = new HashSet<>();
            Set<Object> addresses = new HashSet<>();
            for (Adapter adapter : plan.index().adaptersOn(segment.id())) {
                Optional<HostAddress> address = adapter.addresses().stream()
                        .findFirst()
                        .map(a -> a.address().planned());
                String name = "The " + plan.index().name(adapter.id());
                if (address.isEmpty()) {
                    leftOut.add(name + " has no address in the plan.");
                } else if (segment.subnet()
                        .filter(s -> s.contains(address.get().address()))
                        .isEmpty()) {
                    leftOut.add(
                            name + " has " + address.get() + ", which is not in the range of " + segment.name() + ".");
                } else if (adapter.mac().filter(m -> MAC.matcher(m).matches()).isEmpty()) {
                    leftOut.add(name
                            + adapter.mac()
                                    .map(m -> " has \"" + m + "\" as its hardware address, which is none.")
                                    .orElse(" has no hardware address in the plan."));
                } else {
                    String mac = adapter.mac().get().toLowerCase(Locale.ROOT).replace('-', ':');
                    if (!macs.add(mac)) {
                        leftOut.add(name + " has the hardware address " + mac + " of another one.");
                    } else if (!addresses.add(address.get().address())) {
                        leftOut.add(name + " has " + address.get().address() + " like another one.");
                    } else {
                        given.add(new Given(
                                segment,
                                mac,
                                address.get(),
                                HostsFile.label(
                                        plan.index().hostOf(adapter.id()).name(), labels)));
                    }
                }
            }
        }
        return new Reservations(given, leftOut);
    }

    private List<Segment> segments() {
        return given.stream().map(Given::segment).distinct().toList();
    }

    /** For dnsmasq: only adapters that are listed get an address. */
    public String dnsmasq() {
        StringBuilder text = new StringBuilder();
        leftOut.forEach(
                l -> text.append("# left out: ").append(PlainText.cleaned(l)).append('\n'));
        for (Segment segment : segments()) {
            var subnet = segment.subnet().orElseThrow();
            text.append("\n# ").append(PlainText.cleaned(segment.name())).append('\n');
            text.append("dhcp-range=")
                    .append(subnet.network())
                    .append(",static,")
                    .append(new HostAddress(subnet.network(), subnet.prefixLength()).mask())
                    .append(',')
                    .append(SECONDS)
                    .append('\n');
            for (Given g : given) {
                if (g.segment().equals(segment)) {
                    text.append("dhcp-host=")
                            .append(g.mac())
                            .append(',')
                            .append(g.address().address())
                            .append(',')
                            .append(g.label())
                            .append('\n');
                }
            }
        }
        return text.toString();
    }

    /** For Kea: a Dhcp4 configuration with a subnet for each segment; the adapters it listens on are left to be named. */
    public String kea() {
        ObjectNode root = JsonNodeFactory.instance.objectNode();
        ObjectNode dhcp = root.putObject("Dhcp4");
        dhcp.put("valid-lifetime", SECONDS);
        dhcp.putObject("interfaces-config").putArray("interfaces");
        dhcp.putObject("lease-database").put("type", "memfile").put("persist", false);
        ArrayNode subnets = dhcp.putArray("subnet4");
        int id = 0;
        for (Segment segment : segments()) {
            ObjectNode subnet = subnets.addObject();
            subnet.put("id", ++id).put("subnet", segment.subnet().orElseThrow().toString());
            ArrayNode reservations = subnet.putArray("reservations");
            given.stream()
                    .filter(g -> g.segment().equals(segment))
                    .forEach(g -> reservations
                            .addObject()
                            .put("hw-address", g.mac())
                            .put("ip-address", g.address().address().toString())
                            .put("hostname", g.label()));
        }
        try {
            return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(root) + "\n";
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("A tree of texts and numbers could not be written.", e);
        }
    }
}
