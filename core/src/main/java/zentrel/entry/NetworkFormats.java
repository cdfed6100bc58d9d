package zentrel.entry;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import zentrel.ipv4.HostAddress;
import zentrel.ipv4.Ipv4Address;
import zentrel.ipv4.Subnet;
import zentrel.plan.*;

/** The formats of addresses, ranges, bindings and what else networks are described by. */
final class NetworkFormats {
    static final Format<Ipv4Address> ADDRESS = Formats.of(Ipv4Address::toString, Ipv4Address::parse, "10.41.2.7");
    static final Format<Subnet> SUBNET = Formats.of(Subnet::toString, Subnet::parse, "10.41.0.0/16");
    static final Format<List<Route>> ROUTES = Formats.of(
            routes -> String.join(", ", routes.stream().map(Route::text).toList()),
            Route::parse,
            "10.90.0.0/16 by 10.41.0.9, …");
    static final Format<List<NumberRange>> RANGES = Formats.of(
            ranges ->
                    String.join(", ", ranges.stream().map(NumberRange::toString).toList()),
            NumberRange::parse,
            "1-64, 100");

    private static final Pattern LABELS =
            Pattern.compile("(\\d{1,6})(?:\\s*(?:-|–|to)\\s*(\\d{1,6}))?(?:\\s+as\\s+(\\d{1,6}))?");
    private static final Pattern ORIGIN = Pattern.compile("(\\S+)(?:\\s+(.+))?");
    private static final Pattern AT = Pattern.compile("(.+?)\\s+at\\s+([0-9.]+)");

    /** Labels and the numbers that they are sent by: {@code 1-16 as 0}. */
    static final Format<LabelRange> LABEL_RANGE = Formats.of(
            r -> r.first()
                    + (r.first() == r.last() ? "" : "–" + r.last())
                    + (r.offset() == 0 ? "" : " as " + (r.first() + r.offset())),
            NetworkFormats::labels,
            "1-16 as 0");

    private NetworkFormats() {}

    private static LabelRange labels(String text) {
        Matcher m = LABELS.matcher(text);
        if (!m.matches()) {
            throw new IllegalArgumentException(
                    "\"" + text
                            + "\" is no range of universes; write 1-16, or 1-16 as 0 where the first is sent as another number.");
        }
        int first = Integer.parseInt(m.group(1));
        int last = m.group(2) == null ? first : Integer.parseInt(m.group(2));
        return new LabelRange(first, last, m.group(3) == null ? 0 : Integer.parseInt(m.group(3)) - first);
    }

    /** An address with its mask, and how the adapter comes by it: {@code 10.41.2.7/16 dhcp}. */
    record Owned(HostAddress address, AddressOrigin origin) {}

    static final Format<Owned> OWNED = Formats.of(
            o -> o.address()
                    + (o.origin() == AddressOrigin.MANUAL
                            ? ""
                            : " " + o.origin().word()),
            NetworkFormats::owned,
            "10.41.2.7/16, 10.60.0.7/16 dhcp");

    private static Owned owned(String text) {
        Matcher m = ORIGIN.matcher(text);
        if (!m.matches()) {
            throw new IllegalArgumentException("\"" + text + "\" is no address with its mask, such as 10.41.2.7/16.");
        }
        AddressOrigin origin = m.group(2) == null
                ? AddressOrigin.MANUAL
                : Formats.word(AddressOrigin.class).read(Plan.EMPTY, m.group(2));
        return new Owned(HostAddress.parse(m.group(1)), origin);
    }

    /** The addresses that a DHCP server has to assign: {@code 10.41.200.1 to 10.41.200.99}. */
    record Pool(Ipv4Address first, Ipv4Address last) {}

    static final Format<Pool> POOL =
            Formats.of(p -> p.first() + " to " + p.last(), NetworkFormats::pool, "10.41.200.1 to 10.41.200.99");

    private static Pool pool(String text) {
        String[] ends = text.split("\\s+to\\s+|\\s*[-–]\\s*", -1);
        if (ends.length != 2) {
            throw new IllegalArgumentException("\"" + text
                    + "\" is no pool; write its first and last address, as in 10.41.200.1 to 10.41.200.99.");
        }
        return new Pool(Ipv4Address.parse(ends[0].strip()), Ipv4Address.parse(ends[1].strip()));
    }

    /** The adapters that a program of a device uses for a purpose: their names, or a word for how it chooses. */
    static Format<Binding> binding(Host host) {
        return new Format<>() {
            @Override
            public String shown(Plan plan, Binding binding) {
                if (binding.mode() != BindingMode.ADAPTERS) {
                    return binding.mode().word();
                }
                return String.join(
                        ", ",
                        binding.adapters().stream()
                                .map(a -> called(plan, a)
                                        + binding.addressOf(a)
                                                .map(x -> " at " + x)
                                                .orElse(""))
                                .toList());
            }

            private String called(Plan plan, Id<Adapter> id) {
                return plan.index().find(id).map(Adapter::name).orElse(id.value());
            }

            @Override
            public Binding read(Plan plan, String text) {
                for (BindingMode mode : BindingMode.values()) {
                    if (mode != BindingMode.ADAPTERS && mode.word().equalsIgnoreCase(text)) {
                        return new Binding(mode, List.of());
                    }
                }
                List<Id<Adapter>> adapters = new ArrayList<>();
                Map<Id<Adapter>, Ipv4Address> addresses = new java.util.HashMap<>();
                for (String part : text.split(",", -1)) {
                    Matcher at = AT.matcher(part.strip());
                    boolean one = at.matches();
                    Id<Adapter> id = adapter(one ? at.group(1) : part.strip());
                    adapters.add(id);
                    if (one) {
                        addresses.put(id, Ipv4Address.parse(at.group(2)));
                    }
                }
                return new Binding(BindingMode.ADAPTERS, adapters, addresses);
            }

            private Id<Adapter> adapter(String name) {
                return host.adapters().stream()
                        .filter(a -> a.name().equalsIgnoreCase(name)
                                || a.id().value().equals(name))
                        .findFirst()
                        .map(Adapter::id)
                        .orElseThrow(() -> new IllegalArgumentException(host.name() + " has no adapter called \"" + name
                                + "\"; write one of its adapters, or automatic, all, first or loopback."));
            }

            @Override
            public Control control() {
                return Control.TEXT;
            }

            @Override
            public String hint() {
                return "its adapters with commas between, or automatic, all, first, loopback";
            }
        };
    }

    /** How a screen shows numbers: in one field from 0 or 1, or as Net, Sub-Net and Universe. */
    static final Format<Screen> SCREEN =
            Formats.of(NetworkFormats::screen, NetworkFormats::screen, "from 0; from 1 hexadecimal");

    private static String screen(Screen screen) {
        return String.join(
                ", ",
                screen.fields().stream()
                        .map(f -> "from " + f.first() + (f.radix() == 16 ? " hexadecimal" : ""))
                        .toList());
    }

    private static Screen screen(String text) {
        List<Screen.Field> fields = new ArrayList<>();
        for (String part : text.split(",", -1)) {
            Matcher m = Pattern.compile("from ([01])( hexadecimal)?").matcher(part.strip());
            if (!m.matches()) {
                throw new IllegalArgumentException("\"" + part.strip()
                        + "\" does not say how a screen counts; write from 0 or from 1, with hexadecimal behind it where"
                        + " it shows letters; three of them for Net, Sub-Net and Universe.");
            }
            fields.add(new Screen.Field(Integer.parseInt(m.group(1)), m.group(2) == null ? 10 : 16));
        }
        return new Screen(fields);
    }

    /** A hardware address. */
    static final Format<String> MAC = Formats.of(
            m -> m,
            text -> {
                String plain = text.strip().toLowerCase(java.util.Locale.ROOT).replace('-', ':');
                if (!plain.matches("([0-9a-f]{2}:){5}[0-9a-f]{2}")) {
                    throw new IllegalArgumentException(
                            "\"" + text + "\" is no hardware address; write six pairs such as 02:4c:1a:00:12:9f.");
                }
                return plain;
            },
            "02:4c:1a:00:12:9f");
}
